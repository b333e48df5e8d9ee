import { FULL_SALINITY } from '../units/constants';
import { freeAmmoniaFraction } from '../seawater/ammonia';
import { countOf, say } from '../units/format';
import { litres, salinityNow, YIELD } from './common';
import { defineSum, SumError } from './sum';

const share = (label: string, usual?: number) => ({
  label,
  unit: '%' as const,
  low: 0.1,
  high: 100,
  ...(usual === undefined ? {} : { usual }),
});
/** Share above which one change is a shock to animals, %. */
const LARGE_CHANGE = 50;
const LARGE =
  'More than half at once shocks animals even where it matches: split it over days. An empty tank at the end of its cycle, or poison in the water, is another matter.';

const concentration = (label: string, usual?: number) => ({
  label,
  unit: 'mg/L' as const,
  low: 0,
  high: 2000,
  ...(usual === undefined ? {} : { usual }),
});

export const waterChange = defineSum({
  id: 'water-change',
  title: 'A water change',
  asks: 'How many litres, how much salt, and what is left after?',
  inputs: {
    litres: litres(),
    share: share('Share of the water', 15),
    salinity: salinityNow(35),
    now: { ...concentration('Nitrate now', 0), tank: 'nitrate' },
    fresh: concentration('Nitrate in the new water', 0),
    phosphate: { ...concentration('Phosphate now', 0), tank: 'phosphate' },
    alkalinity: {
      label: 'Alkalinity now',
      unit: 'dKH',
      low: 0,
      high: 20,
      usual: 8,
      tank: 'alkalinity',
    },
    freshAlkalinity: {
      label: 'Alkalinity of the new water',
      unit: 'dKH',
      low: 0,
      high: 20,
      usual: 8,
    },
    bucket: { label: 'A bucket holds', unit: 'L', low: 1, high: 200, usual: 10 },
    yield: YIELD,
  },
  solve: (v) => {
    const change = (v.litres * v.share) / 100;
    const grams = (change * v.yield * v.salinity) / FULL_SALINITY;
    const mixed = (now: number, fresh: number) => now + (v.share / 100) * (fresh - now);
    const after = mixed(v.now, v.fresh);
    const buckets = Math.ceil(change / v.bucket - 1e-9);
    return {
      answer: change,
      unit: 'L',
      sentence: `That is ${countOf(buckets, 'bucket')} of ${say(v.bucket)} L, with about ${say(grams)} g of salt mix. ${say(v.now)} mg/L of nitrate become ${say(after)}.`,
      working: [
        `${v.litres} L × ${v.share} % = ${say(change)} L`,
        `${say(change)} L × ${v.yield} g/L × ${v.salinity} / ${FULL_SALINITY} = ${say(grams)} g`,
        `${v.now} + ${v.share} % × (${v.fresh} − ${v.now}) = ${say(after)} mg/L`,
      ],
      also: [
        { label: 'Salt mix', value: grams, unit: 'g' },
        { label: 'Left after', value: after, unit: 'mg/L' },
        { label: 'Phosphate after', value: mixed(v.phosphate, 0), unit: 'mg/L' },
        { label: 'Alkalinity after', value: mixed(v.alkalinity, v.freshAlkalinity), unit: 'dKH' },
        { label: 'Buckets', value: buckets, unit: 'times' },
      ],
      sketch: {
        kind: 'levels',
        levels: [
          { share: 0.92, label: 'now' },
          { share: 0.92 * (1 - v.share / 100), label: `${say(change)} L out` },
        ],
      },
      cautions: [
        'Switch the heater off before the level falls under it, and on again when it is covered.',
        'Match temperature and salinity before pouring. Never start a siphon by mouth.',
        ...(v.share > LARGE_CHANGE ? [LARGE] : []),
      ],
    };
  },
});

export const changeSeries = defineSum({
  id: 'change-series',
  title: 'Changes down to a goal',
  asks: 'How many changes of this size bring it there?',
  inputs: {
    litres: litres(),
    now: { ...concentration('Now'), tank: 'nitrate' },
    goal: concentration('Goal'),
    fresh: concentration('In the new water', 0),
    share: share('Share of each change', 15),
  },
  solve: (v) => {
    if (v.goal >= v.now) throw new SumError('It is at the goal already, or under it.');
    if (v.goal <= v.fresh) {
      throw new SumError(`New water that holds ${v.fresh} mg/L never brings it to ${v.goal}.`);
    }
    const left = (v.goal - v.fresh) / (v.now - v.fresh);
    const kept = 1 - v.share / 100;
    const count = kept === 0 ? 1 : Math.ceil(Math.log(left) / Math.log(kept) - 1e-9);
    const single = 100 * (1 - left);
    const total = (count * v.litres * v.share) / 100;
    const after = v.fresh + (v.now - v.fresh) * kept ** count;
    const flowing = -v.litres * Math.log(left);
    return {
      answer: count,
      unit: 'changes',
      sentence: `${countOf(count, 'change')} of ${say(v.share)} %, ${say(total)} L in all, leave ${say(after)} mg/L. ${count > 1 ? `One of ${say(single)} % does the same` : 'It is one change'}${Math.max(single, v.share) > LARGE_CHANGE ? ', and is a shock to animals' : ''}.`,
      working: [
        `Each keeps ${say(100 * kept)} % of what is above the new water’s ${v.fresh} mg/L`,
        `(${v.goal} − ${v.fresh}) / (${v.now} − ${v.fresh}) = ${say(left)}, reached after ${count}`,
        `Water flowing in and out at once would take ${say(flowing)} L: the volume × ln(1 / ${say(left)})`,
      ],
      also: [
        { label: 'Water in all', value: total, unit: 'L' },
        { label: 'Left after', value: after, unit: 'mg/L' },
        { label: 'Or one change of', value: single, unit: '%' },
        { label: 'Or flowing in and out at once', value: flowing, unit: 'L' },
      ],
      sketch: {
        kind: 'curve',
        unit: 'mg/L',
        over: 'changes',
        goal: v.goal,
        // A long series is drawn by some of its steps.
        points: Array.from({ length: Math.min(count, 40) + 1 }, (_, i) => {
          const at = Math.round((i * count) / Math.min(count, 40));
          return [at, v.fresh + (v.now - v.fresh) * kept ** at] as const;
        }),
      },
      cautions: Math.max(single, v.share) > LARGE_CHANGE ? [LARGE] : [],
    };
  },
});

export const freeAmmonia = defineSum({
  id: 'free-ammonia',
  title: 'Free ammonia as pH moves',
  asks: 'How much of the ammonia is free, and what does a change of pH do?',
  inputs: {
    total: { label: 'Total ammonia, as nitrogen', unit: 'ammonia N', low: 0, high: 100 },
    ph: { label: 'pH now', unit: 'pH', low: 6, high: 9.5, tank: 'ph' },
    phAfter: { label: 'pH after the change', unit: 'pH', low: 6, high: 9.5, usual: 8.2 },
    temperature: {
      label: 'Temperature',
      unit: '°C',
      low: 5,
      high: 40,
      usual: 25.5,
      tank: 'temperature',
    },
    salinity: salinityNow(35),
  },
  solve: (v) => {
    const free = (ph: number) => v.total * freeAmmoniaFraction(ph, v.temperature, v.salinity);
    const [now, after] = [free(v.ph), free(v.phAfter)];
    return {
      answer: now,
      unit: 'ammonia N',
      sentence: `${say(now)} mg N/L are free now, and ${say(after)} at pH ${v.phAfter}.`,
      working: [
        `Share free at pH ${v.ph}: ${say(100 * freeAmmoniaFraction(v.ph, v.temperature, v.salinity))} %`,
        `Share free at pH ${v.phAfter}: ${say(100 * freeAmmoniaFraction(v.phAfter, v.temperature, v.salinity))} %`,
      ],
      also: [{ label: `At pH ${v.phAfter}`, value: after, unit: 'ammonia N' }],
      cautions:
        after > now && v.total > 0
          ? ['New water of a higher pH makes more of the ammonia poisonous before it is gone.']
          : [],
    };
  },
});
