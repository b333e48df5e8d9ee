import { DEFAULT_DROP_ML, MOLAR_MASS } from '../units/constants';
import { countOf, say } from '../units/format';
import { litres } from './common';
import { defineSum, SumError, type NumberInput } from './sum';

/** One drop of the bottle in hand. */
const DROP: NumberInput = {
  label: 'One drop is',
  unit: 'mL',
  low: 0.01,
  high: 0.2,
  usual: DEFAULT_DROP_ML,
  tank: 'drop',
};

export const additive = defineSum({
  id: 'additive',
  title: 'Any additive by its label',
  asks: 'How much of it for this tank?',
  inputs: {
    litres: litres(),
    labelAmount: { label: 'The label says: this much', unit: 'mL', low: 0.001, high: 10_000 },
    labelLitres: { label: 'for so many litres', unit: 'L', low: 0.1, high: 100_000 },
    drop: DROP,
  },
  solve: (v) => {
    const amount = (v.litres * v.labelAmount) / v.labelLitres;
    const drops = amount / v.drop;
    return {
      answer: amount,
      unit: 'mL',
      sentence: `${say(amount)} mL, about ${countOf(Math.round(drops), 'drop')}. The label’s own limits come first.`,
      working: [
        `${v.labelAmount} mL × ${v.litres} / ${v.labelLitres} = ${say(amount)} mL`,
        `${say(amount)} / ${v.drop} = ${say(drops)} drops`,
      ],
      also: [{ label: 'Drops', value: drops, unit: 'times' }],
      cautions: ['No sum for medicines: take those from the label or a veterinarian alone.'],
    };
  },
});

/** mg of nitrogen in a gram of ammonium chloride. */
const N_PER_GRAM = (1000 * MOLAR_MASS.N) / MOLAR_MASS.NH4Cl;
/** Total ammonia above which filter bacteria are held back, ppm N. */
const HELD_BACK = 4;

export const ammoniaDose = defineSum({
  id: 'ammonia-dose',
  title: 'A dose of ammonia',
  asks: 'How many drops, mL or grams make this rise?',
  inputs: {
    litres: litres(),
    rise: { label: 'Wanted rise of ammonia', unit: 'ammonia N', low: 0.05, high: 10, usual: 2 },
    form: { label: 'Ammonium chloride', choices: ['solution', 'dry salt'] },
    percent: {
      label: 'Strength of the solution (g in 100 mL)',
      unit: '%',
      low: 0.01,
      high: 37,
      usual: 10,
    },
    drop: DROP,
  },
  solve: (v) => {
    const grams = (v.rise * v.litres) / N_PER_GRAM;
    const mL = (100 * grams) / v.percent;
    const cautions = [
      'Never into a tank with an animal in it.',
      ...(v.rise > HELD_BACK
        ? [`Above ${HELD_BACK} ppm filter bacteria are held back: ask for less.`]
        : []),
    ];
    const working = [
      `${say(v.rise)} mg/L × ${v.litres} L / ${say(N_PER_GRAM)} mg of N in a gram = ${say(grams)} g`,
    ];
    if (v.form === 'dry salt') {
      return {
        answer: grams,
        unit: 'g',
        sentence: `${say(grams)} g of dry ammonium chloride for ${say(v.litres)} L.`,
        working,
        cautions,
      };
    }
    return {
      answer: mL,
      unit: 'mL',
      sentence: `${say(mL)} mL of it, about ${countOf(Math.round(mL / v.drop), 'drop')}.`,
      working: [...working, `100 mL × ${say(grams)} g / ${v.percent} g = ${say(mL)} mL`],
      also: [
        { label: 'Drops', value: mL / v.drop, unit: 'times' },
        { label: 'Salt in it', value: grams, unit: 'g' },
      ],
      cautions,
    };
  },
});

export const dropSize = defineSum({
  id: 'drop-size',
  title: 'How large a drop is',
  asks: 'How many mL is one drop of this bottle?',
  inputs: {
    drops: { label: 'Drops counted', unit: 'times', low: 5, high: 1000 },
    grams: { label: 'What they weigh', unit: 'g', low: 0.05, high: 200 },
    density: { label: 'A mL of it weighs', unit: 'g/mL', low: 0.7, high: 2, usual: 1 },
  },
  solve: (v) => {
    const each = v.grams / v.density / v.drops;
    return {
      answer: each,
      unit: 'mL',
      sentence: `One drop is ${say(each)} mL.`,
      working: [`${v.grams} g / ${v.density} g/mL / ${v.drops} = ${say(each)} mL`],
    };
  },
});

export const dilution = defineSum({
  id: 'dilution',
  title: 'Dilute a stock',
  asks: 'How much stock, and how much water to it?',
  inputs: {
    stock: { label: 'Strength of the stock', unit: '%', low: 0.0001, high: 100 },
    wanted: { label: 'Wanted strength', unit: '%', low: 0.0001, high: 100 },
    volume: { label: 'Wanted volume', unit: 'mL', low: 0.1, high: 1_000_000 },
  },
  solve: (v) => {
    if (v.wanted > v.stock) throw new SumError('Water makes no stock stronger than it is.');
    const part = (v.volume * v.wanted) / v.stock;
    return {
      answer: part,
      unit: 'mL',
      sentence: `${say(part)} mL of stock, filled up with ${say(v.volume - part)} mL of water.`,
      working: [`${v.volume} mL × ${v.wanted} / ${v.stock} = ${say(part)} mL`],
      also: [{ label: 'Water', value: v.volume - part, unit: 'mL' }],
      cautions: [
        'Pour acid into water, never water into acid. Gloves and goggles with anything strong.',
      ],
    };
  },
});

export const packs = defineSum({
  id: 'packs',
  title: 'How many packs',
  asks: 'How many packs does this tank take, and what do they cost?',
  inputs: {
    litres: litres(),
    per: { label: 'One pack is for', unit: 'L', low: 0.1, high: 100_000 },
    times: { label: 'How many times', unit: 'times', low: 1, high: 1000, usual: 1 },
    price: { label: 'Price of a pack', unit: 'money', low: 0, high: 100_000, usual: 0 },
  },
  solve: (v) => {
    const exact = (v.litres * v.times) / v.per;
    const count = Math.ceil(exact - 1e-9);
    const price = count * v.price;
    return {
      answer: count,
      unit: 'packs',
      sentence: `${countOf(count, 'pack')}, of which ${say(exact)} are used.${v.price > 0 ? ` They cost ${say(price)}.` : ''}`,
      working: [`${v.litres} L × ${v.times} / ${v.per} L = ${say(exact)} packs`],
      also: [{ label: 'Cost', value: price, unit: 'money' }],
    };
  },
});
