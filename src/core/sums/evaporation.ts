import { countOf, say } from '../units/format';
import { litres, salinityNow } from './common';
import { defineSum, SumError } from './sum';

export const evaporation = defineSum({
  id: 'evaporation',
  title: 'What evaporation does',
  asks: 'What becomes of the salinity without top-off, and how long does the reservoir last?',
  inputs: {
    litres: litres(),
    salinity: salinityNow(35),
    perDay: {
      label: 'Water that evaporates',
      unit: 'L/day',
      low: 0.01,
      high: 500,
      tank: 'evaporation',
    },
    days: { label: 'Days without top-off', unit: 'days', low: 0, high: 365, usual: 1 },
    reservoir: { label: 'Top-off reservoir', unit: 'L', low: 0, high: 2000, usual: 0 },
  },
  solve: (v) => {
    const left = v.litres - v.perDay * v.days;
    if (left <= 0.2 * v.litres) {
      throw new SumError(
        `In ${countOf(v.days, 'day')} four fifths of the water would be gone: take fewer days or less evaporation.`,
      );
    }
    const after = (v.salinity * v.litres) / left;
    const lasts = v.reservoir / v.perDay;
    const kept = v.reservoir > 0 ? ` The reservoir lasts ${say(lasts)} days.` : '';
    return {
      answer: after,
      unit: 'ppt',
      sentence: `After ${countOf(v.days, 'day')} without top-off it is ${say(after)} ppt.${kept}`,
      working: [
        `Salt stays: ${v.salinity} × ${v.litres} / (${v.litres} − ${v.perDay} × ${v.days}) = ${say(after)} ppt`,
        `${v.reservoir} L / ${v.perDay} L a day = ${say(lasts)} days`,
      ],
      also: [{ label: 'The reservoir lasts', value: lasts, unit: 'days' }],
      cautions: ['Top off with fresh water, never with salt water.'],
      sketch: {
        kind: 'curve',
        unit: 'ppt',
        over: 'days',
        points: Array.from({ length: 13 }, (_, i) => {
          const day = (v.days * i) / 12;
          return [day, (v.salinity * v.litres) / (v.litres - v.perDay * day)] as const;
        }),
      },
    };
  },
});

/** Pressure of water vapour over water, kPa (Magnus form, Alduchov and Eskridge 1996). */
function vapour(temperature: number): number {
  return 0.61094 * Math.exp((17.625 * temperature) / (temperature + 243.04));
}

/** Vapour over salt water of 35 ppt is lower by this share (Raoult). */
const SALT_LOWERS = 0.02;
/** Heat that evaporating a kilogram takes, kJ. */
export const LATENT = 2450;
/** Still air over water, kW/m²/kPa (Carrier 1918), and the half of it that quiet water gives. */
const STILL = 0.089;
const QUIET = 0.5;

/** Litres a day from a square metre of quiet water. */
export function evaporationPerArea(water: number, room: number, humidity: number): number {
  const over = (1 - SALT_LOWERS) * vapour(water) - (humidity / 100) * vapour(room);
  return (Math.max(0, over) * STILL * QUIET * 86_400) / LATENT;
}

export const evaporationGuess = defineSum({
  id: 'evaporation-guess',
  title: 'Evaporation before it is measured',
  asks: 'About how much will evaporate in a day?',
  inputs: {
    length: { label: 'Length of the open surface', unit: 'cm', low: 5, high: 1000, tank: 'length' },
    width: { label: 'Width of the open surface', unit: 'cm', low: 5, high: 500, tank: 'width' },
    water: {
      label: 'Water temperature',
      unit: '°C',
      low: 5,
      high: 35,
      usual: 25.5,
      tank: 'temperature',
    },
    room: { label: 'Room temperature', unit: '°C', low: 0, high: 40, usual: 21 },
    humidity: { label: 'Humidity of the room', unit: '%', low: 5, high: 100, usual: 50 },
    cover: { label: 'Over the water', choices: ['open', 'mesh', 'lid'] },
  },
  solve: (v) => {
    const area = (v.length * v.width) / 10_000;
    const passes = { open: 1, mesh: 0.9, lid: 0.3 }[v.cover];
    const perDay = area * evaporationPerArea(v.water, v.room, v.humidity) * passes;
    return {
      answer: perDay,
      unit: 'L/day',
      sentence: `About ${say(perDay)} L a day, between half and twice that: flow, fans and lamps decide. A week of logged top-offs knows better.`,
      working: [
        `Surface: ${v.length} × ${v.width} cm = ${say(area)} m²`,
        `Vapour over the water ${say((1 - SALT_LOWERS) * vapour(v.water))} kPa, in the room ${say((v.humidity / 100) * vapour(v.room))} kPa`,
        `Half of what still air takes up (Carrier 1918), ${100 * passes} % of it past what covers the water`,
      ],
      also: [
        { label: 'At least', value: perDay / 2, unit: 'L/day' },
        { label: 'At most', value: 2 * perDay, unit: 'L/day' },
      ],
    };
  },
});

export const reservoirIn = defineSum({
  id: 'reservoir-in',
  title: 'If the whole reservoir runs in',
  asks: 'What does a stuck top-off do to the salinity and the level?',
  inputs: {
    litres: litres(),
    salinity: salinityNow(35),
    reservoir: { label: 'Fresh water that could run in', unit: 'L', low: 0.1, high: 2000 },
    room: { label: 'Room above the water line before it overflows', unit: 'L', low: 0, high: 5000 },
  },
  solve: (v) => {
    const over = Math.max(0, v.reservoir - v.room);
    const after = (v.salinity * v.litres) / (v.litres + v.reservoir);
    return {
      answer: after,
      unit: 'ppt',
      sentence:
        over > 0
          ? `It falls to about ${say(after)} ppt, and ${say(over)} L run over.`
          : `It falls to ${say(after)} ppt, and nothing runs over.`,
      working: [
        `${v.salinity} × ${v.litres} / (${v.litres} + ${v.reservoir}) = ${say(after)} ppt`,
        `${v.reservoir} L against ${v.room} L of room`,
      ],
      also: [{ label: 'Runs over', value: over, unit: 'L' }],
      sketch: {
        kind: 'line',
        unit: 'ppt',
        marks: [
          { at: 0, label: 'fresh' },
          { at: after, label: 'after' },
          { at: v.salinity, label: 'now' },
        ],
      },
      cautions:
        v.salinity - after > 2 || over > 0
          ? ['Set a limit of run time and a second shut-off: one float will stick one day.']
          : [],
    };
  },
});
