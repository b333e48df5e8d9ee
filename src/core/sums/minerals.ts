import { ALKALINITY_GOAL, ALKALINITY_STEP, HIGH_PH } from '../cycle/dosing/alkalinityRaise';
import { ALKALINITY_BAND } from '../parameters/bands';
import { phAfter } from '../seawater/carbonate';
import { BICARBONATE, MEQ_PER_DKH, PO4_PER_P } from '../units/constants';
import { countOf, say } from '../units/format';
import { litres } from './common';
import { defineSum, SumError, type Also } from './sum';

/** Grams that raise a litre by one dKH: 84.01 and 53.00 g per equivalent, 0.357 meq in a dKH. */
const ALKALINE = { 'baking soda': BICARBONATE, 'soda ash': 0.0189 } as const;
/** Milligrams of each salt that hold a milligram of its metal. */
const CALCIUM_SALT = 3.668;
const MAGNESIUM_SALT = { chloride: 8.365, sulphate: 10.14 } as const;
/** Most that each may rise in a day. */
const DAILY = { alkalinity: ALKALINITY_STEP, calcium: 25, magnesium: 100 } as const;
/** Most of the alkaline part at once, dKH. */
const AT_ONCE = 0.5;
/** Calcium that goes with a dKH of alkalinity as skeletons grow, mg/L. */
const CALCIUM_PER_DKH = 7.1;

function raise(now: number, goal: number): number {
  if (goal < now) throw new SumError('It is above that already: let it fall by itself.');
  return goal - now;
}

function paced(
  grams: number,
  rise: number,
  aDay: number,
  what: string,
): { words: string; also: Also[]; days: number } {
  const days = Math.max(1, Math.ceil(rise / aDay - 1e-9));
  return {
    days,
    words:
      days > 1
        ? `${say(grams)} g of ${what} in all, ${say(grams / days)} g a day over ${countOf(days, 'day')}.`
        : `${say(grams)} g of ${what}.`,
    also: [
      { label: 'Days', value: days, unit: 'days' },
      { label: 'A day', value: grams / days, unit: 'g' },
    ],
  };
}

/** Steps that soda ash is tried in, dKH, until pH stays where it may. */
const SODA_STEP = 0.1;

/** pH right after so much soda ash, by its dKH, before the air has evened it out. */
function phWithSoda({ ph, from }: { ph: number; from: number }, rise: number): number {
  const water = { ph, alkalinity: from * MEQ_PER_DKH, celsius: 25.5, salinity: 35 };
  return phAfter(water, rise * MEQ_PER_DKH, 0.5);
}

/**
 * The largest step of soda ash in a day that leaves pH at its limit or under it, dKH.
 * @throws SumError where even a small one would not
 */
function sodaStep(v: { ph: number; from: number }): number {
  for (let step: number = DAILY.alkalinity; step > SODA_STEP / 2; step -= SODA_STEP) {
    if (phWithSoda(v, step) <= HIGH_PH) return step;
  }
  throw new SumError(
    `Even a little soda ash would take pH above ${HIGH_PH}: use baking soda, which hardly moves it.`,
  );
}

const DISSOLVE = 'Dissolve it in fresh water and pour it slowly where the flow is strong.';
const APART = 'Keep alkalinity and calcium apart in time and place: together they fall out.';

export const alkalinity = defineSum({
  id: 'alkalinity',
  title: 'Raise alkalinity',
  asks: 'How much, over how many days?',
  inputs: {
    litres: litres(),
    from: { label: 'Alkalinity now', unit: 'dKH', low: 0, high: 20, tank: 'alkalinity' },
    to: {
      label: 'Wanted alkalinity',
      unit: 'dKH',
      low: ALKALINITY_BAND.low,
      high: ALKALINITY_BAND.high,
      usual: ALKALINITY_GOAL,
    },
    ph: { label: 'pH now', unit: 'pH', low: 6, high: 9.5, usual: 8.1, tank: 'ph' },
    salt: { label: 'With', choices: ['baking soda', 'soda ash'] },
  },
  solve: (v) => {
    const rise = raise(v.from, v.to);
    if (rise > 0 && v.ph > HIGH_PH) {
      throw new SumError(
        `Add no alkalinity above pH ${HIGH_PH}. Find out first why it is so high.`,
      );
    }
    const each = ALKALINE[v.salt];
    const grams = v.litres * rise * each;
    const soda = v.salt === 'soda ash' && rise > 0;
    const step = soda ? sodaStep(v) : DAILY.alkalinity;
    const pace = paced(grams, rise, step, v.salt);
    return {
      answer: grams,
      unit: 'g',
      sentence: pace.words,
      working: [
        `${v.litres} L × (${v.to} − ${v.from}) dKH × ${each} g = ${say(grams)} g`,
        `At most ${say(step)} dKH a day: ${countOf(pace.days, 'day')}`,
        ...(soda
          ? [
              `pH right after a day's part: about ${phWithSoda(v, rise / pace.days).toFixed(2)}, at most ${HIGH_PH}`,
            ]
          : []),
      ],
      also: pace.also,
      cautions: [
        DISSOLVE,
        APART,
        ...(soda
          ? [
              `Soda ash raises pH at once: read it before each part and an hour after, and add none above ${HIGH_PH}.`,
            ]
          : []),
      ],
    };
  },
});

export const calcium = defineSum({
  id: 'calcium',
  title: 'Raise calcium',
  asks: 'How much, over how many days?',
  inputs: {
    litres: litres(),
    from: { label: 'Calcium now', unit: 'mg/L', low: 0, high: 700, tank: 'calcium' },
    to: { label: 'Wanted calcium', unit: 'mg/L', low: 0, high: 500, usual: 420 },
  },
  solve: (v) => {
    const rise = raise(v.from, v.to);
    const grams = (v.litres * rise * CALCIUM_SALT) / 1000;
    const pace = paced(grams, rise, DAILY.calcium, 'calcium chloride dihydrate');
    return {
      answer: grams,
      unit: 'g',
      sentence: pace.words,
      working: [
        `${v.litres} L × (${v.to} − ${v.from}) mg/L × ${CALCIUM_SALT} / 1000 = ${say(grams)} g`,
        `At most ${DAILY.calcium} mg/L a day: ${countOf(pace.days, 'day')}`,
      ],
      also: pace.also,
      cautions: [`${DISSOLVE} It warms the water it dissolves in.`, APART],
    };
  },
});

export const magnesium = defineSum({
  id: 'magnesium',
  title: 'Raise magnesium',
  asks: 'How much, over how many days?',
  inputs: {
    litres: litres(),
    from: { label: 'Magnesium now', unit: 'mg/L', low: 0, high: 2500, tank: 'magnesium' },
    to: { label: 'Wanted magnesium', unit: 'mg/L', low: 0, high: 1600, usual: 1320 },
    salt: { label: 'With', choices: ['chloride', 'sulphate'] },
  },
  solve: (v) => {
    const rise = raise(v.from, v.to);
    const each = MAGNESIUM_SALT[v.salt];
    const grams = (v.litres * rise * each) / 1000;
    const what =
      v.salt === 'chloride' ? 'magnesium chloride hexahydrate' : 'magnesium sulphate heptahydrate';
    const pace = paced(grams, rise, DAILY.magnesium, what);
    return {
      answer: grams,
      unit: 'g',
      sentence: pace.words,
      working: [
        `${v.litres} L × (${v.to} − ${v.from}) mg/L × ${each} / 1000 = ${say(grams)} g`,
        `At most ${DAILY.magnesium} mg/L a day: ${countOf(pace.days, 'day')}`,
      ],
      also: pace.also,
      cautions: [
        DISSOLVE,
        ...(v.salt === 'sulphate'
          ? [
              'Sulphate alone shifts the balance of ions: most of the magnesium as chloride, and only a small part of it as sulphate.',
            ]
          : []),
      ],
    };
  },
});

export const twoPart = defineSum({
  id: 'two-part',
  title: 'Two-part doses',
  asks: 'How much of each part replaces what the tank uses in a day?',
  inputs: {
    litres: litres(),
    used: { label: 'Alkalinity used', unit: 'dKH/day', low: 0.01, high: 5 },
    alkaline: {
      label: 'One mL of the alkaline part raises 100 L by',
      unit: 'dKH',
      low: 0.001,
      high: 5,
    },
    calcium: {
      label: 'One mL of the calcium part raises 100 L by',
      unit: 'mg/L',
      low: 0.01,
      high: 50,
    },
  },
  solve: (v) => {
    const of = v.litres / 100;
    const first = (v.used * of) / v.alkaline;
    const taken = v.used * CALCIUM_PER_DKH;
    const second = (taken * of) / v.calcium;
    const parts = Math.ceil(v.used / AT_ONCE - 1e-9);
    return {
      answer: first,
      unit: 'mL/day',
      sentence: `${say(first)} mL of the alkaline part and ${say(second)} mL of the calcium part a day, apart from each other${parts > 1 ? `, in ${parts} parts or more over the day` : ''}.`,
      working: [
        `Alkalinity: ${v.used} dKH × ${say(of)} / ${v.alkaline} = ${say(first)} mL`,
        `Skeletons take ${CALCIUM_PER_DKH} mg/L of calcium with a dKH: ${say(taken)} mg/L a day`,
        `Calcium: ${say(taken)} × ${say(of)} / ${v.calcium} = ${say(second)} mL`,
      ],
      also: [
        { label: 'Of the calcium part', value: second, unit: 'mL/day' },
        { label: 'Calcium used', value: taken, unit: 'mg/L/day' },
        { label: 'Parts a day, at least', value: parts, unit: 'times' },
      ],
      cautions: [
        APART,
        `The alkaline part raises pH: none of it above ${HIGH_PH}, and with a caustic one gloves and goggles.`,
        ...(v.used > DAILY.alkalinity
          ? [
              `That is more than ${DAILY.alkalinity} dKH a day, the most to add by hand. Test twice over first; a tank that really uses so much is dosed by a pump, tested daily, and never caught up with in one day.`,
            ]
          : []),
      ],
    };
  },
});

export const consumption = defineSum({
  id: 'consumption',
  title: 'What the tank uses',
  asks: 'How much alkalinity goes in a day?',
  inputs: {
    first: { label: 'First reading', unit: 'dKH', low: 0, high: 20 },
    second: { label: 'Second reading', unit: 'dKH', low: 0, high: 20 },
    days: { label: 'Days between them', unit: 'days', low: 0.2, high: 60 },
    added: { label: 'Added in between', unit: 'dKH', low: 0, high: 50, usual: 0 },
  },
  solve: (v) => {
    const used = (v.first + v.added - v.second) / v.days;
    return {
      answer: used,
      unit: 'dKH/day',
      sentence:
        used >= 0
          ? `It uses ${say(used)} dKH a day.`
          : `It rose by ${say(-used)} dKH a day more than was added: look for what brings it.`,
      working: [`(${v.first} + ${v.added} − ${v.second}) / ${v.days} = ${say(used)} dKH a day`],
      also: [
        { label: 'Calcium that goes with it', value: used * CALCIUM_PER_DKH, unit: 'mg/L/day' },
      ],
    };
  },
});

export const phosphate = defineSum({
  id: 'phosphate',
  title: 'Phosphate from phosphorus',
  asks: 'What is a meter’s ppb of phosphorus as phosphate?',
  inputs: {
    ppb: { label: 'Reading, ppb of phosphorus', unit: 'ppb P', low: 0, high: 5000 },
  },
  solve: (v) => {
    const found = (v.ppb / 1000) * PO4_PER_P;
    return {
      answer: found,
      unit: 'mg/L',
      sentence: `That is ${say(found)} ppm of phosphate.`,
      working: [`${v.ppb} ppb / 1000 × ${PO4_PER_P} = ${say(found)} ppm`],
    };
  },
});
