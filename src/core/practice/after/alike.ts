import { DAY_MS, instant } from '../../time/zone';
import { countOf } from '../../units/format';
import type { Played } from '../run/play';
import { likeIt } from '../run/play';
import { trulyReadyOn } from './ready';

/** Days to ready of tanks like one, with all that was done and without one deed; null where it is not reached. */
export interface Alike {
  tanks: number;
  /** Days that were looked at. */
  days: number;
  withIt: (number | null)[];
  without: (number | null)[];
}

/** How many tanks like it are drawn, and how far beyond its clock they are followed. */
export const ALIKE = 200;
const BEYOND_DAYS = 60;
const MOST_DAYS = 160;

/** Days that are looked at of a run. */
export function daysLookedAt({ header, start }: Played): number {
  const came = Math.ceil((instant(header.clock) - start.filledAt) / DAY_MS);
  return Math.min(MOST_DAYS, came + BEYOND_DAYS);
}

/**
 * Lives tanks like it, with a deed and without. One seed would reward luck; of two hundred most is seen.
 * @param out the deed that is left out
 */
export function alike(
  run: Played,
  out: string,
  progress: (share: number) => void = () => undefined,
  tanks = ALIKE,
): Alike {
  const days = daysLookedAt(run);
  const left = run.deeds.filter(({ id }) => id !== out);
  const withIt: (number | null)[] = [];
  const without: (number | null)[] = [];
  for (let n = 0; n < tanks; n += 1) {
    const start = likeIt(run.start, n);
    withIt.push(trulyReadyOn(start, run.deeds, days));
    without.push(trulyReadyOn(start, left, days));
    progress((n + 1) / tanks);
  }
  return { tanks, days, withIt, without };
}

/** "on day 24 to 31", of eight in ten tanks; how many do not get there is said where it is many. */
export function readyWords(list: readonly (number | null)[], days: number): string {
  const sorted = list.map((day) => day ?? Infinity).toSorted((a, b) => a - b);
  const at = (share: number) => sorted[Math.round(share * (sorted.length - 1))] ?? Infinity;
  const [low, high] = [at(0.1), at(0.9)];
  if (low === Infinity) return `not within ${countOf(days, 'day')}`;
  if (high === Infinity) {
    const never = sorted.filter((day) => day === Infinity).length;
    return `on day ${low} at the earliest, and not within ${countOf(days, 'day')} in ${never} of ${list.length}`;
  }
  return low === high ? `on day ${low}` : `on day ${low} to ${high}`;
}

/** What a deed did to tanks like it, in a sentence. */
export function alikeWords({ tanks, days, withIt, without }: Alike): string {
  const [one, other] = [readyWords(withIt, days), readyWords(without, days)];
  return one === other
    ? `In ${tanks} tanks like it: ready ${one}, with it and without.`
    : `In ${tanks} tanks like it: ready ${one} with it, ${other} without.`;
}
