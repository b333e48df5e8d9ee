import type { Method } from '../../acclimation/method';
import type { Run } from '../../records/schema/run';
import { formatPlain } from '../../units/format';
import { clocksOfSteps, given, noted, type Procedure, type Step } from '../procedure';

/** The way in that a run was begun with. */
export function methodOf(run: Run): Method {
  return given(run, 'method', 'drip') as Method;
}

const number = (run: Run, name: string): number => Number(run.given[name] ?? 0);
const drips = (run: Run) => methodOf(run) === 'drip' || methodOf(run) === 'cleanDrip';
const cleans = (run: Run) => methodOf(run) === 'cleanDrip';
const floats = (run: Run) => methodOf(run) !== 'none';
const arePods = (run: Run) => given(run, 'pods', 'no') === 'yes';
const isCoral = (run: Run) => given(run, 'animal', 'fish') === 'coral';
const toTank = (run: Run) => methodOf(run) !== 'matchQuarantine';

/** Litres that the drip drew in all: as it was measured on the way, else as it was planned. */
export function drawnIn(run: Run): number {
  return run.given.drawn === undefined ? number(run, 'litresDrawn') : number(run, 'drawn');
}

/** How fast the water of a bag is brought to the tank's, over days. */
function dailyWords(run: Run): string {
  const up = number(run, 'tankSalinity') > number(run, 'bagSalinity');
  switch (given(run, 'animal', 'fish')) {
    case 'fish':
      return up ? 'up by 1 ppt a day at most' : 'down by 2 ppt a day at most';
    case 'star':
      return 'by half a ppt an hour and 5 a day at most';
    default:
      return 'by 1 ppt an hour and 5 a day at most';
  }
}

/** Litres of salt water below which what the drip took is no matter. */
const LEAST_DRAWN = 0.2;

const steps: readonly Step[] = [
  {
    id: 'topOff',
    kind: 'check',
    title: 'Top up, then the top-off unit off',
    text: 'The tank filled to its mark with fresh water, so that its salinity is right; then the unit **off**: while a drip draws, it would pour fresh water after.',
    applies: drips,
    caution: 'electricity',
  },
  {
    id: 'lights',
    kind: 'check',
    title: 'Lights down',
    text: (run) =>
      `Of the tank and of the room.${drips(run) ? ' A clean bucket, an airline with a valve or a knot, a thermometer, and a lid: what is frightened jumps.' : ''}`,
  },
  {
    id: 'float',
    kind: 'wait',
    title: 'Float the closed bag',
    text: (run) =>
      methodOf(run) === 'quick'
        ? 'Closed until the temperature fits: opening it is what turns its water bad, so it is opened last.'
        : 'Closed, in the tank or a basin of its water, until the temperature fits.',
    minutes: (run) => number(run, 'floatMinutes'),
    applies: (run) => floats(run) && number(run, 'floatMinutes') > 0,
  },
  {
    id: 'bucket',
    kind: 'check',
    title: 'Into the bucket',
    text: (run) =>
      cleans(run)
        ? `The animal **without its water**, at once, into ${formatPlain(number(run, 'litres'), 1)} L of clean salt water made to the bag: ${formatPlain(number(run, 'bagSalinity'), 1)} ppt and its temperature. The lid over it.`
        : `The animal with its water, ${formatPlain(number(run, 'litres'), 1)} L, and the lid over it.`,
    applies: drips,
  },
  {
    id: 'drip',
    kind: 'wait',
    title: 'Drip',
    text: (run) =>
      `${formatPlain(number(run, 'mlPerMinute'), 0)} mL a minute. Pour off down to ${formatPlain(number(run, 'litres'), 1)} L whenever ${formatPlain(2 * number(run, 'litres'), 1)} L stand in it.`,
    minutes: (run) => number(run, 'minutes'),
    applies: drips,
  },
  {
    id: 'rematch',
    kind: 'check',
    title: 'Match the temperature again',
    text: 'The bucket has cooled: float the container until both thermometers agree.',
    applies: drips,
  },
  {
    id: 'quarantine',
    kind: 'check',
    title: 'Into water made to the bag',
    text: (run) =>
      `Quarantine water at ${formatPlain(number(run, 'bagSalinity'), 1)} ppt and the bag's temperature; then ${dailyWords(run)}, some ${formatPlain(Math.max(1, number(run, 'daysToMatch')), 0)} ${number(run, 'daysToMatch') > 1 ? 'days' : 'day'}, until it stands where the tank does. Without such a tank: do not open the bag, and ask the shop to hold or take it back.`,
    applies: (run) => !toTank(run),
  },
  {
    id: 'inspect',
    kind: 'check',
    title: 'Look it over',
    text: 'By a lamp and a lens, under the plug and between the polyps: flatworms, nudibranchs, spiders, eggs in spirals or jelly, snails, bubble algae, small anemones. The plug cut away where it can be.',
    applies: isCoral,
    caution: 'palytoxin',
  },
  {
    id: 'dip',
    kind: 'wait',
    title: 'Dip, by its label',
    text: (run) =>
      `In a tub of tank water, never in the tank: ${formatPlain(number(run, 'dipMinutes'), 0)} minutes, as the label says, basted now and then. Gloves and eyes covered.`,
    minutes: (run) => number(run, 'dipMinutes'),
    applies: (run) => isCoral(run) && number(run, 'dipMinutes') > 0,
  },
  {
    id: 'rinse',
    kind: 'check',
    title: 'Rinse, and look again',
    text: 'Twice in clean salt water of the tank. Whatever fell off is looked at; eggs are scraped off, since no dip reaches them. The dip water goes down the drain, not into a tank.',
    applies: isCoral,
  },
  {
    id: 'over',
    kind: 'check',
    title: 'Over, without its water',
    text: 'With a cup or a hand rather than a net, let out under water. **No water of the bag or the shop goes in.**',
    applies: (run) => !arePods(run),
    caution: 'venom',
  },
  {
    id: 'pour',
    kind: 'check',
    title: 'Pour them in',
    text: 'All of the jar, its salinity matched, in the evening: lights and pumps low for an hour, so that they reach the rock before they are eaten.',
    applies: arePods,
  },
  {
    id: 'upright',
    kind: 'check',
    title: 'Set them upright',
    text: 'Snails on their foot, on rock: one on its back dies where it lies.',
    applies: (run) => ['shrimp', 'star'].includes(given(run, 'animal', 'fish')) && !arePods(run),
  },
  {
    id: 'place',
    kind: 'check',
    title: 'Low first, then up',
    text: 'On its planned place or below it, away from reaching neighbours; it rises by a level every two weeks. Its dip is repeated when eggs would have hatched.',
    opens: { stock: 'corals', label: 'Plan its place' },
    applies: isCoral,
  },
  {
    id: 'watch',
    kind: 'check',
    title: 'Lid on, lights low, watch',
    text: 'An hour of looking who chases whom. Food tomorrow, not today; ammonia tested on days 1, 3 and 7.',
  },
  {
    id: 'replace',
    kind: 'measure',
    title: 'Put back what the drip took',
    text: (run) =>
      `${formatPlain(drawnIn(run), 1)} L of **salt water** at the tank's salinity. Fresh water in its place would thin the tank, which is why the unit stays off till this is done.`,
    asks: {
      label: 'Salt water put back',
      unit: 'L',
      low: 0.1,
      high: 200,
      usual: (run) => Math.round(drawnIn(run) * 10) / 10,
    },
    applies: (run) => drips(run) && drawnIn(run) >= LEAST_DRAWN,
  },
  {
    id: 'topOn',
    kind: 'check',
    title: 'Top-off unit on again',
    text: 'On, and seen to be on: forgotten, the tank grows saltier day by day.',
    applies: drips,
  },
];

/** From the bag to the tank. */
export const acclimate: Procedure = {
  name: 'Acclimate',
  also: null,
  steps,
  begins: { acclimate: {}, label: 'Measure the bag' },
  ...clocksOfSteps(steps),
};

/** Litres of salt water that were put back; undefined until they were. */
export function replacedIn(run: Run): number | undefined {
  return noted(run, 'replace');
}
