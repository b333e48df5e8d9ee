import { oneTankFigures } from './oneTankFigures';
import { print } from './print';

const SIZES = [1_000, 5_000, 20_000, 50_000];

for (const [name, list] of Object.entries(oneTankFigures(SIZES))) {
  print(`one tank, ${name}, ms`, {
    ...Object.fromEntries(SIZES.map((size, i) => [`${size}`, list[i]])),
    ratio: Math.round(((list.at(-1) ?? 0) / (list[0] || 1)) * 10) / 10,
  });
}
