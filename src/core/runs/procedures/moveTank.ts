import type { Run } from '../../records/schema/run';
import { formatPlain } from '../../units/format';
import { clocksOfSteps, given, type Procedure, type Step } from '../procedure';

const litres = (run: Run, name: string) => {
  const value = Number(run.given[name]);
  return Number.isFinite(value) ? `${formatPlain(value, 0)} L` : 'enough';
};

const keepsSand = (run: Run) => given(run, 'kept', 'rockAndMedia') === 'all';

const steps: readonly Step[] = [
  {
    id: 'seed',
    kind: 'check',
    title: 'Media seeded beforehand',
    text: 'A sponge or a block of the new filter in the old sump for six weeks, if there is time. It is the cheapest part of the whole move.',
  },
  {
    id: 'water',
    kind: 'check',
    title: 'Salt water mixed and waiting',
    text: (run) =>
      `**${litres(run, 'fresh')}**, mixed a day before, at the old tank's salinity and temperature.`,
    opens: { run: 'mix', label: 'Make the water' },
  },
  {
    id: 'new',
    kind: 'check',
    title: 'The new tank stands',
    text: 'Level, leak-tested, on a floor that bears it; heater, pumps and lid at hand. Full tanks are never moved.',
    caution: 'floor',
  },
  {
    id: 'tubs',
    kind: 'check',
    title: 'Tubs for the animals',
    text: (run) =>
      `Food-safe, with lids, each with an air stone and one with the heater. **${litres(run, 'old')}** of clear old water is siphoned first, for the tubs and to come along, before anything is stirred.`,
    caution: 'electricity',
  },
  {
    id: 'corals',
    kind: 'check',
    title: 'Corals out first',
    text: 'Under water, into a tub of their own, not touching each other. Anemones are coaxed off, never torn.',
    caution: 'palytoxin',
  },
  {
    id: 'rock',
    kind: 'check',
    title: 'Rock out, kept wet',
    text: 'In tubs of tank water with a pump: what dries, dies. It is not scrubbed.',
    caution: 'rockHands',
  },
  {
    id: 'fish',
    kind: 'check',
    title: 'Fish and clean-up crew last',
    text: 'Without rock and in low water they are caught in minutes. Dark tub, lid, air. Spines and bites: with a container, not with hands.',
    caution: 'venom',
  },
  {
    id: 'sand',
    kind: 'check',
    title: 'Old sand stays out',
    text: 'It holds hydrogen sulfide and ammonia: stirred, it can kill everything within the hour. It goes into the household waste, and new sand goes in.',
    applies: (run) => !keepsSand(run),
  },
  {
    id: 'rinse',
    kind: 'check',
    title: 'Old sand rinsed, far from any animal',
    text: 'In buckets of salt water, again and again till it runs clear; windows open, and out of the room if it smells of rotten eggs. **Never unrinsed, never with animals in the water.**',
    applies: keepsSand,
  },
  {
    id: 'fill',
    kind: 'measure',
    title: 'Rock, media, then water',
    text: 'Rock and media first, the clear old water over them, then new water to the mark. How much went in, in all?',
    asks: {
      label: 'Water in the new tank',
      unit: 'L',
      low: 1,
      high: 20_000,
      usual: (run) => Number(run.given.litres) || undefined,
    },
  },
  {
    id: 'match',
    kind: 'check',
    title: 'Temperature and salinity as in the tubs',
    text: 'Within half a degree and half a ppt; pumps on for an hour before anyone goes in.',
    opens: { form: 'reading', label: 'Log the test' },
  },
  {
    id: 'in',
    kind: 'check',
    title: 'Fish, then clean-up crew, then corals',
    text: 'Fish first, they breathe most; none of the tub water goes in. Corals lower than they stood, since the light is new. Lid on, lights off till tomorrow.',
  },
  {
    id: 'first',
    kind: 'check',
    title: 'Test ammonia this evening',
    text: 'And each day for a week; food halved meanwhile. Over 0.05 mg/L of free ammonia: change water.',
    opens: { form: 'reading', label: 'Log the test' },
  },
];

/** Moving animals and filter to another tank, in the order that keeps both alive. */
export const moveTank: Procedure = {
  name: 'Move to another tank',
  also: null,
  begins: { moving: 'move', label: 'Work it out first' },
  steps,
  ...clocksOfSteps(steps),
};

const closing: readonly Step[] = [
  {
    id: 'homes',
    kind: 'check',
    title: 'A home for every animal',
    text: 'To keepers who have the room, a club, a shop that takes them back: asked weeks ahead. **Never into the sea, a pond or a drain.**',
  },
  {
    id: 'animals',
    kind: 'check',
    title: 'Animals out',
    text: 'Corals, then rock, then fish, each as it goes to its new home. Log where they went.',
    opens: { form: 'animals', label: 'Log who left' },
    caution: 'venom',
  },
  {
    id: 'rock',
    kind: 'check',
    title: 'Rock and media',
    text: 'Kept wet, they seed someone’s tank. Rock that is to be dry dries outdoors: in a room its fumes can poison.',
    caution: 'rockHands',
  },
  {
    id: 'off',
    kind: 'check',
    title: 'Everything unplugged',
    text: 'Heater first, and twenty minutes to cool before the water sinks.',
    caution: 'unplugFirst',
  },
  {
    id: 'water',
    kind: 'check',
    title: 'Water into the drain of the house',
    text: 'Not into the garden, nor into water outdoors. Sand last, windows open: it may smell of rotten eggs.',
  },
  {
    id: 'glass',
    kind: 'check',
    title: 'Clean, dry, carry it empty',
    text: 'Vinegar for lime, rinsed well; never acid with bleach. Four hands for what is long or heavy.',
    caution: 'strongChemicals',
  },
];

/** Taking a tank down. */
export const closeTank: Procedure = {
  name: 'Close the tank',
  also: null,
  steps: closing,
  ...clocksOfSteps(closing),
  leaves: { label: 'Log it as closed', of: () => ({ entries: [{ kind: 'closed' }] }) },
};
