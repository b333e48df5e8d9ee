import { FULL_SALINITY, SALT_YIELD } from '../../units/constants';
import type { TankHistory } from '../../history/tankHistory';
import { COPPER_AND_BINDER, copperIn } from '../../quarantine/medicine/copper';
import type { Run } from '../../records/schema/run';
import { instant } from '../../time/zone';
import { countOf, say } from '../../units/format';
import { minutesPerLitre, saltYield, wasteRatio, weighed } from '../../water/learned';
import { chosen, clocksOfSteps, noted, type Procedure, type Step } from '../procedure';

/** The part of the salt that goes in before anything is measured. */
const FIRST = 0.9;
/** Nearer than this to the target it is left alone, ppt. */
const NEAR = 0.3;
/** Two instruments further apart than this, ppt, do not agree. */
const AGREE = 0.7;

/** The water of a batch; its litres are null where the step that asks for them was gone past. */
interface Batch {
  litres: number | null;
  target: number;
  /** g/L at 35 ppt, and where it is from. */
  each: number;
  learned: number;
  /** Salt for a litre at the wanted salinity, and for the batch: null with its litres. */
  gramsEach: number;
  grams: number | null;
}

function batchOf(run: Run, tank: TankHistory | null): Batch {
  const litres = noted(run, 'litres') ?? null;
  const target = noted(run, 'target') ?? FULL_SALINITY;
  const known = tank ? saltYield(tank) : null;
  const each = known?.value ?? SALT_YIELD;
  const gramsEach = (each * target) / FULL_SALINITY;
  return {
    litres,
    target,
    each,
    learned: known?.count ?? 0,
    gramsEach,
    grams: litres === null ? null : litres * gramsEach,
  };
}

/** "1.2 kg", and in the keeper's own cups where one was weighed; for each litre where it is not known how many. */
function saltWords(grams: number, tank: TankHistory | null): string {
  const mass = grams >= 1000 ? `${say(grams / 1000)} kg` : `${say(grams)} g`;
  const cup = tank ? weighed(tank, 'saltCup') : null;
  return cup ? `${mass}, ${say(grams / cup.value)} cups` : mass;
}

/** Salt that has gone in by what the steps say, g. */
export function saltIn(run: Run, tank: TankHistory | null): number {
  const { grams } = batchOf(run, tank);
  const more = noted(run, 'more') ?? 0;
  return (run.steps.first ? FIRST * (grams ?? 0) : 0) + more;
}

/** What is still to be added to each litre, g, once it was measured; below zero where fresh water is. */
function missingEach(run: Run, tank: TankHistory | null): number {
  const { litres, target, each } = batchOf(run, tank);
  const measured = noted(run, 'measure');
  if (measured === undefined) return 0;
  // What this very batch has shown of its salt is nearer than what the ones before it did.
  const own =
    measured > 5 && litres !== null
      ? (saltIn(run, tank) / litres) * (FULL_SALINITY / measured)
      : each;
  return (own * (target - measured)) / FULL_SALINITY;
}

const SOURCES = [
  {
    value: 'purified',
    label: 'Purified, by your own unit',
    note: 'Cheapest by the litre and slowest. Each stage of the unit wears out by its own sign.',
  },
  {
    value: 'shop',
    label: 'Ready-mixed, from a shop',
    note: 'Dearest, and at hand. Measure salinity, alkalinity and phosphate before it goes in.',
  },
  {
    value: 'natural',
    label: 'Natural, from a supplier',
    note: 'Varies after storms and by season: ask where and when it was drawn, and measure it.',
  },
  {
    value: 'tap',
    label: 'Tap, conditioned',
    note: 'Cheap; brings algae and metals. Conditioner by its label; chloramine leaves ammonia: test for it.',
  },
  {
    value: 'distilled',
    label: 'Distilled, bought',
    note: 'Dear in litres. Hold the TDS pen in each bottle: "purified" for drinking is not distilled.',
  },
  {
    value: 'tank',
    label: 'From someone’s tank',
    note: 'Advised against: its diseases, pests and phosphate come along, and no bacteria worth having.',
  },
] as const;

/** What a source of water asks before anything goes into it. */
function sourceText(run: Run, tank: TankHistory | null): string {
  const { litres } = batchOf(run, tank);
  switch (chosen(run, 'source')) {
    case 'purified': {
      const pace = tank ? minutesPerLitre(tank) : null;
      const waste = (tank ? wasteRatio(tank)?.value : undefined) ?? 3;
      if (litres === null) return 'Time one jug and log it. TDS at the end should read 0.';
      return pace
        ? `${say(litres)} L at ${say(pace.value)} minutes a litre take ${say((litres * pace.value) / 60, 2)} hours, and about ${say(litres * waste, 2)} L run to waste. TDS at the end should read 0.`
        : `Time one jug and log it as purified water: how long ${say(litres)} L take is then known. TDS at the end should read 0.`;
    }
    case 'tap':
      if (tank) {
        const copper = copperIn(tank, instant(run.begunAt));
        if (copper !== null) return `${copper} is in ${tank.tank.name}. ${COPPER_AND_BINDER}`;
      }
      return 'Conditioner by its own label, for chloramine too if your supplier uses it, and a test for total chlorine after. Then test ammonia: chloramine leaves some behind.';
    case 'natural':
      return 'Not in the days after a storm. Let it stand dark and aired, and measure salinity: it is seldom 35.';
    case 'shop':
      return 'Measure it in the shop or at home before it goes in: mixes differ from day to day.';
    case 'tank':
      return 'Better not. If you do, none from a tank with fish that were ill in the last three months.';
    default:
      return 'Hold the TDS pen into it: distilled water reads 0 to 1.';
  }
}

const READY = ['shop', 'natural', 'tank'];
const isReady = (run: Run) => READY.includes(chosen(run, 'source') ?? '');

const steps: readonly Step[] = [
  {
    id: 'litres',
    kind: 'measure',
    title: 'How much water',
    text: 'Several barrels are several batches: begin this again for each.',
    asks: {
      label: 'Water to make ready',
      unit: 'L',
      low: 0.5,
      high: 5000,
      usual: (_run, tank) => (tank ? Math.round(tank.netLitres) : undefined),
    },
  },
  {
    id: 'target',
    kind: 'measure',
    title: 'To which salinity',
    text: 'What the tank has, or is to have: 33 to 35 ppt, and steady before exact.',
    asks: { label: 'Wanted salinity', unit: 'ppt', low: 5, high: 45, usual: () => FULL_SALINITY },
  },
  {
    id: 'source',
    kind: 'choose',
    title: 'Which water',
    text: 'Each has its price and its risk.',
    choices: SOURCES,
  },
  {
    id: 'water',
    kind: 'check',
    title: 'Get the water ready',
    text: sourceText,
    minutes: (run, tank) => {
      const pace = tank && chosen(run, 'source') === 'purified' ? minutesPerLitre(tank) : null;
      return pace ? Math.round((noted(run, 'litres') ?? 0) * pace.value) : 0;
    },
    opens: (run) =>
      chosen(run, 'source') === 'purified' ? { form: 'purified', label: 'Log what it made' } : null,
    caution: 'purified',
  },
  {
    id: 'warm',
    kind: 'check',
    title: 'Move it and warm it',
    text: 'A pump and a heater in the barrel, to the temperature of the tank: cold water dissolves less and reads wrong.',
    caution: 'electricity',
  },
  {
    id: 'first',
    kind: 'check',
    title: 'Nine tenths of the salt',
    text: (run, tank) => {
      if (isReady(run)) return 'It is salt water already: none yet, measure first.';
      const { grams, gramsEach, litres, target, each, learned } = batchOf(run, tank);
      if (grams === null || litres === null) {
        return `${saltWords(FIRST * gramsEach, tank)} for each litre: nine tenths of ${saltWords(gramsEach, tank)} at ${say(target)} ppt. How many litres was not noted. A handful at a time.`;
      }
      const from =
        learned > 0 ? `learned from ${countOf(learned, 'mixing')}` : 'usual until yours is known';
      return `${saltWords(FIRST * grams, tank)}: nine tenths of ${saltWords(grams, tank)} for ${say(litres)} L at ${say(target)} ppt, by ${say(each)} g a litre (${from}). A handful at a time.`;
    },
    caution: 'drySalt',
  },
  {
    id: 'clear',
    kind: 'wait',
    title: 'Let it mix',
    text: 'An hour at the least, until it is clear. How long it keeps is for the salt’s label to say: moving and covered meanwhile.',
    minutes: () => 60,
  },
  {
    id: 'measure',
    kind: 'measure',
    title: 'Measure it',
    text: 'With a sample at the temperature that the instrument wants.',
    asks: { label: 'It reads', unit: 'ppt', low: 0, high: 60 },
  },
  {
    id: 'more',
    kind: 'measure',
    title: 'The rest, in small steps',
    text: (run, tank) => {
      const { litres, target } = batchOf(run, tank);
      const measured = noted(run, 'measure');
      if (measured === undefined)
        return 'What is missing follows from what it reads: measure it first.';
      if (Math.abs(target - measured) <= NEAR) return 'Near enough: add nothing. Note 0.';
      const each = litres === null ? ' for each litre' : '';
      const grams = missingEach(run, tank) * (litres ?? 1);
      if (grams < 0) {
        return `Too salty: ${say(((litres ?? 1) * (measured - target)) / target, 2)} L of fresh water${each} bring it down. Note 0 for the salt.`;
      }
      return `${saltWords(grams, tank)}${each} are still missing by what it reads. Half of it, a quarter of an hour, measure, then the rest. Note what went in.`;
    },
    asks: {
      label: 'Salt added now, g',
      unit: '',
      low: 0,
      high: 500_000,
      usual: (run, tank) => {
        const { litres } = batchOf(run, tank);
        return litres === null
          ? undefined
          : Math.max(0, Math.round(missingEach(run, tank) * litres));
      },
    },
  },
  {
    id: 'second',
    kind: 'measure',
    title: 'Twice, with another instrument',
    text: 'One instrument alone is believed until it is wrong. Without a second one, measure again with the first.',
    asks: { label: 'It reads at the end', unit: 'ppt', low: 5, high: 60 },
  },
  {
    id: 'agree',
    kind: 'check',
    title: 'Ready to pour',
    text: (run) => {
      const first = noted(run, 'measure');
      const last = noted(run, 'second');
      const target = noted(run, 'target') ?? FULL_SALINITY;
      if (last !== undefined && Math.abs(last - target) > AGREE) {
        return `It reads ${say(last)}, wanted were ${say(target)}: do not pour yet. If the two instruments disagree, check both against a standard.`;
      }
      return `${first === undefined ? '' : 'It agrees. '}Match its temperature to the tank, to a degree. Heater off before the level falls, on again when it is covered; a siphon is never started by mouth.`;
    },
  },
];

/** A batch of new salt water, from the tap to the barrel. */
export const mix: Procedure = {
  name: 'Mix salt water',
  also: 'make salt water new saltwater RODI NSW',
  steps,
  ...clocksOfSteps(steps),
  leaves: {
    label: 'Log the batch',
    of: (run, tank) => {
      const litres = noted(run, 'litres');
      const last = noted(run, 'second') ?? noted(run, 'measure');
      const grams = saltIn(run, tank);
      if (litres === undefined || last === undefined || grams <= 0 || isReady(run)) return null;
      return {
        entries: [
          {
            kind: 'saltMix',
            litres,
            grams: Math.round(grams),
            salinity: { value: last, unit: 'ppt' },
          },
        ],
      };
    },
  },
};
