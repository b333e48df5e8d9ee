import { shortDay } from '../../../time/words';
import { DAY_MS } from '../../../time/zone';
import type { DateRange } from '../types';

/** "1–5 Dec", "29 Nov–3 Dec": two days as a span, without saying a month twice. */
export function daySpanWords(low: number, high: number, zone: string): string {
  const a = shortDay(low, zone);
  const b = shortDay(high, zone);
  if (a === b) return a;
  const [dayA, monthA] = a.split(' ');
  const [, monthB] = b.split(' ');
  return monthA === monthB && monthA ? `${dayA}–${b}` : `${a}–${b}`;
}

/** A date that is uncertain, in words: never a bare date unless its range is a single day. */
export function dateRangeWords(range: DateRange, zone: string): string {
  const { p10, p50, p90 } = range;
  if (p10 === null) return 'not within four months';
  if (p90 === null)
    return p50 === null ? `after ${shortDay(p10, zone)}` : `from ${shortDay(p10, zone)}`;
  return daySpanWords(p10, p90, zone);
}

/** For a sentence: "between 1 and 5 Dec (8 in 10)", "on 3 Dec", "already", "after 9 Dec". */
export function dateRangeInSentence(range: DateRange, zone: string, now: number): string {
  const { p10, p50, p90 } = range;
  if (p90 !== null && p90 <= now) return 'most likely already';
  if (p10 === null) return 'not within four months, as things are';
  if (p90 === null) return `some time after ${shortDay(p10, zone)}`;
  if (p50 !== null && p50 <= now) return `by ${shortDay(p90, zone)} (9 in 10), perhaps already`;
  const low = Math.max(p10, now);
  const a = shortDay(low, zone);
  const b = shortDay(p90, zone);
  if (a === b) return `on ${a} (8 in 10)`;
  if (p90 - low < 1.5 * DAY_MS) return `on ${a} or ${b} (8 in 10)`;
  const [dayA, monthA] = a.split(' ');
  const [, monthB] = b.split(' ');
  return `between ${monthA === monthB && dayA ? dayA : a} and ${b} (8 in 10)`;
}
