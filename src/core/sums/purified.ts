import { say } from '../units/format';
import { water } from './common';
import { defineSum } from './sum';

export const rodi = defineSum({
  id: 'rodi',
  title: 'Making purified water',
  asks: 'How long does it take, and how much runs to waste?',
  inputs: {
    litres: water('Water wanted'),
    jug: { label: 'One jug timed: it holds', unit: 'L', low: 0.1, high: 100, usual: 1 },
    minutes: { label: 'and took', unit: 'min', low: 0.1, high: 600, tank: 'minutesPerLitre' },
    waste: {
      label: 'Litres to waste for each made',
      unit: 'times',
      low: 0,
      high: 20,
      usual: 3,
      tank: 'waste',
    },
  },
  solve: (v) => {
    const each = v.minutes / v.jug;
    const hours = (each * v.litres) / 60;
    return {
      answer: hours,
      unit: 'h',
      sentence: `${say(v.litres)} L take ${say(hours)} hours, and ${say(v.litres * v.waste)} L run to waste. Colder water or less pressure makes it slower.`,
      working: [
        `${v.minutes} min / ${v.jug} L = ${say(each)} min/L`,
        `${say(each)} × ${v.litres} / 60 = ${say(hours)} h`,
      ],
      also: [
        { label: 'A litre', value: each, unit: 'min/L' },
        { label: 'To waste', value: v.litres * v.waste, unit: 'L' },
      ],
      cautions: [
        'It is not for drinking. Left running alone it wants a float or a leak detector.',
        'TDS says nothing of chlorine or chloramine: carbon is due by its labelled litres or a chlorine test.',
      ],
    };
  },
});
