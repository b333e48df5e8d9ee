import fc from 'fast-check';
import { draws } from '../../testing/draws';
import { livedOn, moves } from '../../testing/livedOn';
import { LogBuilder, onDay, DAY } from '../../testing/logBuilder';
import { undoRevisions } from '../records/acts';
import { derivedId } from '../math/hash';
import { allRecords, allRevisions, EMPTY_LOG, mergeRevisions, type Log } from '../records/log';
import { revisionKey } from '../records/order';
import { bringBack } from './bringBack';
import { bytesOf, keptSnapshots } from './snapshotKeeping';
import type { Snapshot } from './snapshots';
import { revisionSchema } from '../records/schema/revision';

const stamp = (n: number) => ({
  actId: derivedId(`act ${n}`),
  device: 'x',
  recordedAt: new Date(onDay(40) + n * 1000).toISOString(),
});

/** What stands in a log, whatever its history. */
const standing = (log: Log): string[] =>
  [...allRecords(log)]
    .flatMap(({ head }) => (head.deleted ? [] : JSON.stringify([head.id, head.type, head.body])))
    .sort();

const begun = mergeRevisions(EMPTY_LOG, new LogBuilder().revisions);

describe('bringing a copy back', () => {
  it('sets everything to what it was, validly, and an undo sets it to what it is', () => {
    fc.assert(
      fc.property(moves, moves, (before, after) => {
        const then = livedOn(begun, before, 0);
        const now = livedOn(then, after, 1000);
        const { revisions } = bringBack(now, allRevisions(then), stamp(5000));
        for (const one of revisions) expect(revisionSchema.safeParse(one).error).toBeUndefined();
        const back = mergeRevisions(now, revisions);
        expect(standing(back)).toEqual(standing(then));
        // Once is enough.
        expect(bringBack(back, allRevisions(then), stamp(6000)).revisions).toEqual([]);
        const undo = undoRevisions(back, new Set(revisions.map(revisionKey)), stamp(7000));
        expect(standing(mergeRevisions(back, undo.revisions))).toEqual(standing(now));
      }),
      { numRuns: draws(40) },
    );
  });

  it('after an erasing is an import, with the history that it had', () => {
    fc.assert(
      fc.property(moves, (before) => {
        const then = livedOn(begun, before, 0);
        const { revisions, back } = bringBack(EMPTY_LOG, allRevisions(then), stamp(5000));
        expect(allRevisions(mergeRevisions(EMPTY_LOG, revisions))).toEqual(allRevisions(then));
        expect(back).toBe(standing(then).length);
      }),
      { numRuns: draws(20) },
    );
  });
});

describe('the copies that stay', () => {
  const one = (day: number, hour: number, bytes = 10): Snapshot => ({
    id: `${day}/${hour}`,
    at: onDay(day, hour),
    size: 1,
    entries: 1,
    chunks: [{ hash: `${day}/${hour}`, bytes }],
  });

  it('are seven days, four weeks and twelve months at most, the newest of each', () => {
    const all = Array.from({ length: 500 }, (_, day) => [one(day, 8), one(day, 20)]).flat();
    const kept = keptSnapshots(all, 'UTC');
    expect(kept[0]?.id).toBe('499/20');
    expect(kept.slice(0, 7).map(({ id }) => id)).toEqual(
      Array.from({ length: 7 }, (_, i) => `${499 - i}/20`),
    );
    expect(kept.length).toBeGreaterThanOrEqual(7 + 3 + 10);
    expect(kept.length).toBeLessThanOrEqual(7 + 4 + 12);
    expect((kept.at(0)?.at ?? 0) - (kept.at(-1)?.at ?? 0)).toBeGreaterThan(300 * DAY);
  });

  it('hold a year when one is made each day and thinned each day, and never lose the newest', () => {
    let kept: Snapshot[] = [];
    for (let day = 0; day < 420; day += 1) {
      kept = keptSnapshots([...kept, one(day, 12)], 'Europe/Berlin');
      expect(kept[0]?.id).toBe(`${day}/12`);
    }
    expect(kept.length).toBeLessThanOrEqual(7 + 4 + 12);
    expect(onDay(419) - (kept.at(-1)?.at ?? 0)).toBeGreaterThan(300 * DAY);
  });

  it('take no more room than they may, but for the newest', () => {
    const all = [one(1, 12, 60), one(2, 12, 60), one(3, 12, 60)];
    expect(keptSnapshots(all, 'UTC', 130).map(({ id }) => id)).toEqual(['3/12', '2/12']);
    expect(keptSnapshots(all, 'UTC', 10).map(({ id }) => id)).toEqual(['3/12']);
    // What copies share is counted once.
    const [a, b] = [one(1, 1, 60), { ...one(2, 1, 60), chunks: one(1, 1, 60).chunks }];
    expect(bytesOf([a, b])).toBe(60);
  });
});

it('a copy that was read from a disk, its fields in another order, is no change', () => {
  const turned = (value: unknown): unknown =>
    Array.isArray(value)
      ? value.map(turned)
      : typeof value === 'object' && value !== null
        ? Object.fromEntries(
            Object.entries(value)
              .reverse()
              .map(([key, one]) => [key, turned(one)]),
          )
        : value;
  const copied = allRevisions(begun).map((one) => turned(one) as typeof one);
  expect(bringBack(begun, copied, stamp(1)).revisions).toEqual([]);
});
