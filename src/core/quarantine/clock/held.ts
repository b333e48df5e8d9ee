import type { Protocol } from '../../records/schema/protocol';
import { DAY_MS } from '../../time/zone';

/** What a protocol holds by its readings. */
export type Holds = NonNullable<Protocol['holds']>;

/** Where a figure that is held stands. */
export interface Held {
  /** Days within the range so far, whole ones. */
  days: number;
  /** When as many as are asked were full, ms; null while they are not. */
  done: number | null;
  /** Where the newest reading lies; null without any. */
  reads: 'below' | 'within' | 'above' | null;
}

/** A reading speaks for so long, days: time that nobody read does not count. */
const SPEAKS_DAYS = 2;

/**
 * Days for which every reading lay within a range. One beyond it begins them anew, or, below it and where the
 * protocol says so, does not count and takes nothing away. Once the days are full nothing later takes them back.
 * @param readings in canonical units, in order of time, since the batch began
 * @param at ms
 */
export function heldDays(
  { low, high, days, below }: Holds,
  readings: readonly { at: number; best: number }[],
  at: number,
): Held {
  let counted = 0;
  let reads: Held['reads'] = null;
  for (const [i, reading] of readings.entries()) {
    reads = reading.best < low ? 'below' : reading.best > high ? 'above' : 'within';
    if (reads === 'above' || (reads === 'below' && below === 'anew')) counted = 0;
    if (reads !== 'within') continue;
    const next = readings[i + 1]?.at ?? at;
    const spoken = Math.min(next - reading.at, SPEAKS_DAYS * DAY_MS);
    const left = days * DAY_MS - counted;
    if (spoken >= left)
      return { days, done: reading.at + left, reads: lastRead(readings, low, high) };
    counted += spoken;
  }
  return { days: Math.floor(counted / DAY_MS + 1e-9), done: null, reads };
}

function lastRead(readings: readonly { best: number }[], low: number, high: number): Held['reads'] {
  const last = readings.at(-1)?.best;
  if (last === undefined) return null;
  return last < low ? 'below' : last > high ? 'above' : 'within';
}
