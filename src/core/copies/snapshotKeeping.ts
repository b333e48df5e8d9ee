import { dayOf } from '../time/zone';
import type { Snapshot } from './snapshots';

const DAYS = 7;
const WEEKS = 4;
const MONTHS = 12;
/** What all copies may take together, bytes. */
const MOST_BYTES = 30_000_000;

/** Bytes of the chunks of copies, each counted once. */
export function bytesOf(snapshots: readonly Snapshot[]): number {
  const chunks = new Map(
    snapshots.flatMap(({ chunks }) => chunks.map(({ hash, bytes }) => [hash, bytes] as const)),
  );
  return [...chunks.values()].reduce((sum, bytes) => sum + bytes, 0);
}

const dayNumber = (day: string): number => Math.floor(Date.UTC(...partsOf(day)) / 86_400_000);
const partsOf = (day: string): [number, number, number] => {
  const [year = 1970, month = 1, date = 1] = day.split('-').map(Number);
  return [year, month - 1, date];
};

/** The newest of each of the last seven days, four weeks and twelve months that have one. */
export function newestOfEach<T extends { at: number }>(all: readonly T[], zone: string): Set<T> {
  const newest = [...all].sort((a, b) => b.at - a.at);
  const stay = new Set<T>();
  const take = (bucketOf: (day: string) => string | number, buckets: number) => {
    const seen = new Set<string | number>();
    for (const one of newest) {
      const bucket = bucketOf(dayOf(one.at, zone));
      if (seen.has(bucket) || seen.size === buckets) continue;
      seen.add(bucket);
      stay.add(one);
    }
  };
  take((day) => day, DAYS);
  take((day) => Math.floor((dayNumber(day) + 3) / 7), WEEKS);
  take((day) => day.slice(0, 7), MONTHS);
  return stay;
}

/**
 * The copies that stay: the newest of each of the last seven days, four weeks and twelve months that have
 * one; of those as many, the newest first, as there is room for. The newest stays whatever it takes.
 */
export function keptSnapshots(
  all: readonly Snapshot[],
  zone: string,
  most = MOST_BYTES,
): Snapshot[] {
  const newest = [...all].sort((a, b) => b.at - a.at);
  const stay = newestOfEach(all, zone);
  const kept: Snapshot[] = [];
  for (const one of newest) {
    if (!stay.has(one)) continue;
    if (kept.length > 0 && bytesOf([...kept, one]) > most) break;
    kept.push(one);
  }
  return kept;
}
