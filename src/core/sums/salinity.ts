import { FULL_SALINITY } from '../units/constants';
import {
  salinityFromHydrometer,
  specificGravity,
  SG_SCALE_TEMPERATURE,
  type SgScale,
} from '../seawater/specificGravity';
import { salinityFrom, salinityTo } from '../seawater/salinity';
import type { SalinityUnit } from '../units/units';
import { countOf, say } from '../units/format';
import { litres, salinity, salinityNow, water, YIELD } from './common';
import { defineSum, SumError, type Also, type Sketch } from './sum';

/** Most that salinity may rise or fall in a day for what lives in the water, ppt; null for no bound. */
const LIVING = ['nothing', 'fish', 'invertebrates'] as const;
type Living = (typeof LIVING)[number];
const RISE: Record<Living, number | null> = { nothing: null, fish: 1, invertebrates: 1 };
const FALL: Record<Living, number | null> = { nothing: null, fish: 2, invertebrates: 1 };

const living = { label: 'What lives in it', choices: LIVING, tank: 'living' } as const;

function daysFor(change: number, aDay: number | null): number {
  // A hair of rounding is no reason for another day.
  return aDay === null ? 0 : Math.ceil(change / aDay - 1e-9);
}

function pacing(days: number, aDay: number | null): string {
  if (aDay === null || days <= 1) return '';
  return ` Spread it over ${countOf(days, 'day')}: at most ${aDay} ppt a day.`;
}

const inDays = (days: number): Also[] =>
  days > 0 ? [{ label: 'Days', value: days, unit: 'days' }] : [];

const NEVER_DRY = 'Dissolve salt in a bucket first: never put it dry into a tank with animals.';

export const saltMix = defineSum({
  id: 'salt-mix',
  title: 'Salt for new water',
  asks: 'How much salt mix do these litres take?',
  inputs: {
    litres: water('Water to mix'),
    salinity: salinity('Wanted salinity', 35),
    yield: YIELD,
    cup: {
      label: 'One cup of it weighs',
      unit: 'g',
      low: 0,
      high: 5000,
      usual: 0,
      tank: 'saltCup',
    },
    bag: { label: 'One bag holds', unit: 'g', low: 0, high: 50_000, usual: 0 },
  },
  solve: (v) => {
    const grams = (v.litres * v.yield * v.salinity) / FULL_SALINITY;
    const measures: Also[] = [];
    if (v.cup > 0) measures.push({ label: 'In cups', value: grams / v.cup, unit: 'times' });
    if (v.bag > 0) measures.push({ label: 'In bags', value: grams / v.bag, unit: 'times' });
    return {
      answer: grams,
      unit: 'g',
      sentence: `${say(v.litres)} L at ${say(v.salinity)} ppt take about ${say(grams)} g of salt mix. Start with nine tenths of it, measure, then add in small steps.`,
      working: [
        `${v.litres} L × ${v.yield} g/L × ${v.salinity} / ${FULL_SALINITY} = ${say(grams)} g`,
        `First: 0.9 × ${say(grams)} g = ${say(0.9 * grams)} g`,
      ],
      also: [{ label: 'To start with', value: 0.9 * grams, unit: 'g' }, ...measures],
      cautions: [NEVER_DRY],
    };
  },
});

export const saltYield = defineSum({
  id: 'salt-yield',
  title: 'What a salt mix yields',
  asks: 'How many grams of my mix make a litre of 35 ppt?',
  inputs: {
    litres: water('Water that was mixed'),
    grams: { label: 'Salt mix that went in', unit: 'g', low: 1, high: 1_000_000 },
    salinity: { label: 'Salinity measured after', unit: 'ppt', low: 1, high: 45 },
  },
  solve: (v) => {
    const found = ((v.grams / v.litres) * FULL_SALINITY) / v.salinity;
    return {
      answer: found,
      unit: 'g/L',
      sentence: `This mix takes ${say(found)} g for a litre at 35 ppt.`,
      working: [
        `${v.grams} g / ${v.litres} L × ${FULL_SALINITY} / ${v.salinity} = ${say(found)} g/L`,
      ],
    };
  },
});

/** Two waters and what they make together, on one line. */
function mixing(from: number, to: number, mixedWith: number): Sketch {
  return {
    kind: 'line',
    unit: 'ppt',
    marks: [
      { at: from, label: 'now' },
      { at: to, label: 'wanted' },
      { at: mixedWith, label: 'put in' },
    ],
  };
}

export const salinityRaise = defineSum({
  id: 'salinity-raise',
  title: 'Raise the salinity',
  asks: 'How much salt, or salt water, brings this tank up?',
  inputs: {
    litres: litres(),
    from: salinityNow(),
    to: salinity('Wanted salinity', 35),
    with: salinity('With water of', 40),
    yield: YIELD,
    living,
  },
  solve: (v) => {
    if (v.to < v.from) throw new SumError('The wanted salinity is lower: that is salinity-lower.');
    const rise = v.to - v.from;
    const grams = (v.litres * v.yield * rise) / FULL_SALINITY;
    if (rise > 0 && v.with <= v.to) {
      throw new SumError(
        `Water of ${v.with} ppt brings nothing to ${v.to} ppt. Mix it saltier, within what dissolves (45 ppt).`,
      );
    }
    const added = rise === 0 ? 0 : (v.litres * rise) / (v.with - v.to);
    const exchanged = rise === 0 ? 0 : (v.litres * rise) / (v.with - v.from);
    const days = daysFor(rise, RISE[v.living]);
    return {
      answer: grams,
      unit: 'g',
      sentence: `So much salt mix, dissolved first, or ${say(exchanged)} L exchanged for water of ${say(v.with)} ppt.${pacing(days, RISE[v.living])}`,
      working: [
        `Salt: ${v.litres} L × ${v.yield} g/L × (${v.to} − ${v.from}) / ${FULL_SALINITY} = ${say(grams)} g`,
        `Exchange: ${v.litres} × (${v.to} − ${v.from}) / (${v.with} − ${v.from}) = ${say(exchanged)} L`,
        `Added without taking any out: ${v.litres} × (${v.to} − ${v.from}) / (${v.with} − ${v.to}) = ${say(added)} L`,
      ],
      also: [
        { label: 'Exchanged for saltier water', value: exchanged, unit: 'L' },
        { label: 'Or added without taking any out', value: added, unit: 'L' },
        ...inDays(days),
      ],
      sketch: mixing(v.from, v.to, v.with),
      cautions: [NEVER_DRY],
    };
  },
});

export const salinityLower = defineSum({
  id: 'salinity-lower',
  title: 'Lower the salinity',
  asks: 'How much water is exchanged for fresh water?',
  inputs: {
    litres: litres(),
    from: salinityNow(),
    to: salinity('Wanted salinity', 35),
    with: salinity('With water of', 0),
    living,
  },
  solve: (v) => {
    if (v.to > v.from) throw new SumError('The wanted salinity is higher: that is salinity-raise.');
    const fall = v.from - v.to;
    if (fall > 0 && v.with >= v.to) {
      throw new SumError(`Water of ${v.with} ppt brings nothing down to ${v.to} ppt.`);
    }
    const exchanged = fall === 0 ? 0 : (v.litres * fall) / (v.from - v.with);
    const added = fall === 0 ? 0 : (v.litres * fall) / (v.to - v.with || Infinity);
    const days = daysFor(fall, FALL[v.living]);
    const only =
      v.to > v.with
        ? [
            `Added without taking any out: ${v.litres} × (${v.from} − ${v.to}) / (${v.to} − ${v.with}) = ${say(added)} L`,
          ]
        : [];
    return {
      answer: exchanged,
      unit: 'L',
      sentence: `Take out ${say(exchanged)} L and put the same of ${say(v.with)} ppt in.${pacing(days, FALL[v.living])}`,
      working: [
        `${v.litres} × (${v.from} − ${v.to}) / (${v.from} − ${v.with}) = ${say(exchanged)} L`,
        ...only,
      ],
      also: [
        { label: 'Or added without taking any out', value: added, unit: 'L' },
        ...inDays(days),
      ],
      sketch: mixing(v.from, v.to, v.with),
    };
  },
});

const SALINITY_CHOICES = ['sg25', 'sg20', 'sg60F', 'ppt', 'mS/cm'] as const;

export const salinityRead = defineSum({
  id: 'salinity-read',
  title: 'What an instrument reads',
  asks: 'What salinity is this reading, and what would the other scales show?',
  inputs: {
    reading: { label: 'Reading', unit: 'times', low: 0, high: 70 },
    scale: { label: 'Its scale', choices: SALINITY_CHOICES },
  },
  solve: (v) => {
    const scale = v.scale as SalinityUnit;
    const found = salinityFrom(v.reading, scale);
    if (found > 45 || (scale.startsWith('sg') && (v.reading < 0.99 || v.reading > 1.06))) {
      throw new SumError(
        `${v.reading} on this scale is no salt water that lives: look at the scale.`,
      );
    }
    const others = SALINITY_CHOICES.filter((s) => s !== scale);
    const trap =
      scale.startsWith('sg') && Math.abs(v.reading - 1.025) < 5e-4
        ? ' 1.025 and 35 ppt are not the same.'
        : '';
    return {
      answer: found,
      unit: 'ppt',
      sentence: `That is ${say(found)} ppt.${trap}`,
      working: [
        scale === 'mS/cm'
          ? 'Practical salinity scale of 1978, at 25 °C'
          : scale === 'ppt'
            ? 'As it reads'
            : `Density over pure water, both at ${say(SG_SCALE_TEMPERATURE[scale as SgScale])} °C, by EOS-80`,
      ],
      also: others.map((other) => ({
        label: other === 'ppt' ? 'As salinity' : `On the scale ${other}`,
        value: salinityTo(found, other),
        unit: other,
      })),
    };
  },
});

export const hydrometer = defineSum({
  id: 'hydrometer',
  title: 'A hydrometer in water of another temperature',
  asks: 'What salinity is it, read at this temperature?',
  inputs: {
    reading: { label: 'Reading', unit: 'sg25', low: 0.99, high: 1.05 },
    temperature: { label: 'Water temperature', unit: '°C', low: 5, high: 35 },
    scale: { label: 'Its scale', choices: ['sg25', 'sg20', 'sg60F'] },
  },
  solve: (v) => {
    const found = salinityFromHydrometer(v.reading, v.scale, v.temperature);
    if (found < 0.01 || found > 45) {
      throw new SumError(
        `${v.reading} at ${v.temperature} °C is no salt water: look at the scale.`,
      );
    }
    const atScale = specificGravity(found, v.scale);
    return {
      answer: found,
      unit: 'ppt',
      sentence: `That is ${say(found)} ppt; at its own temperature it would read ${atScale.toFixed(4)}.`,
      working: [
        `Its glass shows the density of water of ${v.temperature} °C over pure water at ${say(SG_SCALE_TEMPERATURE[v.scale])} °C`,
        'The glass itself grows by 2.5e-5 of its volume a degree',
      ],
      also: [{ label: 'At its own temperature', value: atScale, unit: v.scale }],
    };
  },
});

export const mineralsAtFull = defineSum({
  id: 'mineral-at-35',
  title: 'A mineral compared at 35 ppt',
  asks: 'Is it low, or is the water only less salty?',
  inputs: {
    measured: { label: 'Measured', unit: 'mg/L', low: 0, high: 5000 },
    salinity: {
      label: 'Salinity it was measured at',
      unit: 'ppt',
      low: 5,
      high: 45,
      tank: 'salinity',
    },
  },
  solve: (v) => {
    const full = (v.measured * FULL_SALINITY) / v.salinity;
    return {
      answer: full,
      unit: 'mg/L',
      sentence: `At 35 ppt it would be ${say(full)} mg/L.`,
      working: [`${v.measured} × ${FULL_SALINITY} / ${v.salinity} = ${say(full)} mg/L`],
    };
  },
});
