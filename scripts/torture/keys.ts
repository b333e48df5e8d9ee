import { parseRecords } from '../../src/core';
import { CATALOGUE } from '../../src/core/livestock/catalogue';
import { nitrogenOf } from '../../src/core/livestock/food/bioload';
import { bodyGrams } from '../../src/core/livestock/body';
import { animalIdSchema, keySchema, narrowKey } from '../../src/core/records/keys';

/** Letters of every kind: those that end a line, a name or a text, and those that no alphabet holds. */
function anyText(chance: () => number, most: number): string {
  const letter = () => {
    const of = chance();
    if (of < 0.2) return '\r\n\u0000\t";:,\\/<>&=`'[Math.floor(chance() * 14)] ?? '\n';
    if (of < 0.6) return String.fromCharCode(32 + Math.floor(chance() * 95));
    return String.fromCodePoint(Math.floor(chance() * 0x2fff) + 0x20);
  };
  return Array.from({ length: 1 + Math.floor(chance() * most) }, letter).join('');
}

const FIGURES = [0, -1, 1e-300, 1e-9, 0.3, 1, 499, 501, 1e6, 1e300, 1.7e308];

const envelope = (n: number) => ({
  id: `${n.toString(16).padStart(8, '0')}-0000-7000-8000-${n.toString(16).padStart(12, '0')}`,
  rev: 1,
  parentRev: null,
  device: 'old',
  actId: `${n.toString(16).padStart(8, '0')}-0000-7000-8000-f${n.toString(16).padStart(11, '0')}`,
  recordedAt: '2026-03-02T09:00:00.000Z',
});

/**
 * Keys of any letters in records of version 8: all are read, in the narrow alphabet, the same each time.
 * Control: let `narrowKey` give back what it was given.
 */
export function torturedByKeys(records: number, chance: () => number) {
  const result = { records, refused: 0, wide: 0, unsteady: 0 };
  const tankId = envelope(1).id;
  const at = '2026-03-05T10:00:00Z';
  for (let n = 2; n < records + 2; n += 1) {
    const key = anyText(chance, 60);
    const raw = {
      ...envelope(n),
      type: 'run',
      body: {
        procedure: 'mix',
        tankId,
        begunAt: at,
        ended: null,
        given: {},
        steps: { [key]: { at } },
        clocks: { [key]: at },
      },
    };
    const { records: read, refused } = parseRecords([{ raw, version: 8 }]);
    result.refused += refused.length;
    for (const one of read) {
      if (one.type !== 'run') continue;
      const keys = [...Object.keys(one.body.steps), ...Object.keys(one.body.clocks)];
      if (keys.some((name) => !keySchema.safeParse(name).success)) result.wide += 1;
      if (new Set(keys).size !== 1 || narrowKey(key, 60) !== keys[0]) result.unsteady += 1;
    }
  }
  return result;
}

/**
 * Animals of the keeper's own with any figure, from a file of version 8: none is refused for a figure or
 * a name, and whatever is reckoned of one is a finite number.
 * Control: take the limits out of the catalogue's schema and of `narrowed`.
 */
export function torturedByAnimals(animals: number, chance: () => number) {
  const result = { animals, refused: 0, boundless: 0, wide: 0 };
  const figure = () => FIGURES[Math.floor(chance() * FIGURES.length)] ?? 1;
  for (let n = 1; n <= animals; n += 1) {
    const like = CATALOGUE[Math.floor(chance() * CATALOGUE.length)];
    if (!like || like.group === 'coral') continue;
    const body = {
      ...like,
      id: `own-${'a'.repeat(Math.floor(chance() * 20_000))}`,
      names: [`xx${anyText(chance, 20_000)}`],
      adultCm: figure(),
      boughtCm: figure(),
      leastLitres: figure(),
      unsure: true,
    };
    const raw = { ...envelope(n), type: 'species', body };
    const { records, refused } = parseRecords([{ raw, version: 8 }]);
    result.refused += refused.length;
    for (const one of records) {
      if (one.type !== 'species') continue;
      if (!animalIdSchema.safeParse(one.body.id).success) result.wide += 1;
      if (one.body.group === 'coral') continue;
      const sums = [
        bodyGrams(one.body, one.body.adultCm),
        nitrogenOf(one.body, one.body.adultCm),
        nitrogenOf(one.body),
      ];
      if (!sums.every(Number.isFinite)) result.boundless += 1;
    }
  }
  return result;
}
