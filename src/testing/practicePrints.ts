import { deedsOf } from '../core/practice/deeds/deeds';
import { begin } from '../core/practice/run/begin';
import { fingerprint } from '../core/practice/run/fingerprint';
import { PRACTICE_LABEL, SITUATION_IDS } from '../core/practice/situations/situations';
import type { Laws } from '../core/practice/world/nature';
import { courseOf } from '../core/practice/world/live';
import type { Deed } from '../core/practice/deeds/deeds';
import type { Entry, EntryBody } from '../core/records/kinds';
import { hashText } from '../core/math/hash';
import { seededRandom } from '../core/math/random';
import { DAY_MS } from '../core/time/zone';

const DEEDS: readonly EntryBody[] = [
  {
    kind: 'dose',
    substance: 'ammoniumChloride',
    amount: { by: 'drops', drops: 320, dropMl: 0.05 },
    strength: PRACTICE_LABEL,
    about: false,
  },
  {
    kind: 'dose',
    substance: 'bacteria',
    amount: { by: 'mL', mL: 160 },
    strength: null,
    about: false,
  },
  { kind: 'waterChange', litres: 40, source: 'purified', newWater: {} },
  { kind: 'waterChange', litres: 60, source: 'untreatedTap', newWater: {} },
  { kind: 'animals', move: 'in', group: 'fish', what: 'Clownfish', count: 2 },
  { kind: 'light', state: 'on', hoursADay: 9 },
  { kind: 'feed', food: 'frozen', amount: { by: 'grams', grams: 2 } },
  { kind: 'treatment', agent: 'antibiotic' },
];

/** What forty of them come to, in Node and in browsers. A change of the world's laws changes it. */
export const FORTY_RUNS: Readonly<Record<Laws, string>> = {
  1: '1b054057a69acf',
  2: '11e32c5a6f6afd',
};

/**
 * Random runs lived and hashed by all their bits: the same wherever they are lived.
 * @param from number of the first
 */
export function practicePrints(runs: number, from: number, laws: Laws): string {
  const prints = Array.from({ length: runs }, (_, n) => {
    const random = seededRandom(from + n);
    const seed = Math.floor(4294967296 * random());
    const situation = SITUATION_IDS[Math.floor(random() * SITUATION_IDS.length)] ?? 'dryRock';
    const startedAt = '2026-05-04T09:00:00.000Z';
    const header = { seed, situation, startedAt, zone: 'UTC', laws };
    const { start, revisions, tankId } = begin(header);
    const own = Array.from({ length: 6 }, (__, k): Deed => {
      const at = start.filledAt + Math.round(random() * 35 * 24) * 3_600_000;
      const body = DEEDS[Math.floor(random() * DEEDS.length)];
      return {
        id: `deed-${k}`,
        at,
        entry: { ...body, tankId, at: new Date(at).toISOString() } as Entry,
      };
    });
    const deeds = [...deedsOf(revisions), ...own].sort((a, b) => a.at - b.at);
    return fingerprint(courseOf(start, deeds, start.filledAt + 40 * DAY_MS));
  });
  return hashText(prints.join());
}
