import type { Kit } from '../records/schema/kit';
import { monthWords } from '../time/calendar';
import { addDaysIn, DAY_MS, dayOf, dayStart } from '../time/zone';
import { countOf } from '../units/format';

/** What is left of a pack of reagents. */
export interface Supply {
  /** Tests left, at least 0. */
  left: number;
  /** Tests a day at the keeper's pace; null while that is unknown. */
  pace: number | null;
  /** When the last test is likely made or the reagents are past their date, ms; null while unknown. */
  until: number | null;
  /** Whether the printed date ends it before its tests do. */
  byDate: boolean;
}

/** Days over which the pace of testing is counted. */
const PACE_DAYS = 28;
/** Tests within them that make a pace. */
const ENOUGH = 2;

/**
 * What is left of a kit's pack, and how long it lasts.
 * @param times when tests were made with the kit, ms, in order of time
 * @returns null for a kit whose pack was not told
 */
export function supplyOf(
  kit: Kit,
  times: readonly number[],
  now: number,
  zone: string,
): Supply | null {
  if (!kit.pack) return null;
  const since = dayStart(kit.pack.since, zone);
  const made = times.filter((at) => at >= since && at <= now).length;
  const left = Math.max(0, kit.pack.tests - made);
  const lately = times.filter((at) => at > now - PACE_DAYS * DAY_MS && at <= now);
  const first = lately[0];
  const span = first === undefined ? 0 : Math.max(7, (now - first) / DAY_MS);
  const pace = lately.length >= ENOUGH ? lately.length / span : null;
  const used = pace === null ? null : now + (left / pace) * DAY_MS;
  const dated = kit.expiresOn === null ? null : addDaysIn(dayStart(kit.expiresOn, zone), 1, zone);
  const byDate = dated !== null && (used === null || dated < used);
  return { left, pace, until: byDate ? dated : used, byDate };
}

/** "mid-January": a third of a month is as near as a pace can say. */
function aboutWords(at: number, zone: string): string {
  const day = dayOf(at, zone);
  const date = Number(day.slice(8));
  const third = date <= 10 ? 'early' : date <= 20 ? 'mid' : 'late';
  return `${third}-${monthWords(day).split(' ')[0] ?? ''}`;
}

/** "about 12 tests left, to mid-January at your pace". */
export function supplyWords({ left, until, byDate }: Supply, zone: string): string {
  if (left === 0) return 'its pack should be used up';
  const tests = `about ${countOf(left, 'test')} left`;
  if (until === null) return tests;
  return byDate
    ? `${tests}, but good only to ${aboutWords(until, zone)}`
    : `${tests}, to ${aboutWords(until, zone)} at your pace`;
}
