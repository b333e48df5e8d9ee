import { TZDate } from '@date-fns/tz';
import { format } from 'date-fns/format';
import { countOf } from '../units/format';
import { DAY_MS, HOUR_MS, MINUTE_MS, dayOf, daysBetween } from './zone';

const dayTexts = new Map<string, string>();
/** Days in words that are remembered before all are forgotten. */
const MOST_TEXTS = 20_000;

/** A day in words by a pattern: the same days are named again and again. */
function dayText(ms: number, zone: string, pattern: string): string {
  const key = `${dayOf(ms, zone)} ${pattern}`;
  const known = dayTexts.get(key);
  if (known !== undefined) return known;
  if (dayTexts.size > MOST_TEXTS) dayTexts.clear();
  const text = format(new TZDate(ms, zone), pattern);
  dayTexts.set(key, text);
  return text;
}

/** "Tue 4 May"; with the year when it is not the year of `now`. */
export function dayWords(ms: number, zone: string, now: number): string {
  const sameYear = dayOf(ms, zone).slice(0, 4) === dayOf(now, zone).slice(0, 4);
  return dayText(ms, zone, sameYear ? 'EEE d MMM' : 'EEE d MMM yyyy');
}

/** "Tue 4 May 2027", with its year whatever year it is. */
export function fullDayWords(ms: number, zone: string): string {
  return dayText(ms, zone, 'EEE d MMM yyyy');
}

/** "4 May 2027", for a table or a document. */
export function dateWords(ms: number, zone: string): string {
  return dayText(ms, zone, 'd MMM yyyy');
}

/** "4 May", for a label with little room. */
export function shortDay(ms: number, zone: string): string {
  return dayText(ms, zone, 'd MMM');
}

/** "Tuesday": the day of the week of a moment. */
export function weekdayWords(ms: number, zone: string): string {
  return format(new TZDate(ms, zone), 'EEEE');
}

/** "18:40". */
export function timeWords(ms: number, zone: string): string {
  return format(new TZDate(ms, zone), 'HH:mm');
}

/** "Today 18:40", "Yesterday 07:10", "Tue 4 May 18:40". */
export function momentWords(ms: number, zone: string, now: number): string {
  return `${nearDay(ms, zone, now) ?? dayWords(ms, zone, now)} ${timeWords(ms, zone)}`;
}

/** The same within a sentence: "today 18:40", "yesterday 07:10", "Tue 4 May 18:40". */
export function momentInSentence(ms: number, zone: string, now: number): string {
  const near = nearDay(ms, zone, now);
  const day = near === null ? dayWords(ms, zone, now) : near.toLowerCase();
  return `${day} ${timeWords(ms, zone)}`;
}

function nearDay(ms: number, zone: string, now: number): string | null {
  const days = daysBetween(ms, now, zone);
  if (days === 0) return 'Today';
  if (days === 1) return 'Yesterday';
  if (days === -1) return 'Tomorrow';
  return null;
}

/** How long ago, in the coarsest unit that is honest: "just now", "3 h ago", "yesterday", "9 days ago". */
export function agoWords(ms: number, zone: string, now: number): string {
  const gap = now - ms;
  if (gap < 0) return untilWords(ms, zone, now);
  if (gap < 2 * MINUTE_MS) return 'just now';
  if (gap < HOUR_MS) return `${Math.floor(gap / MINUTE_MS)} min ago`;
  const days = daysBetween(ms, now, zone);
  if (days === 0 || gap < 6 * HOUR_MS) return `${Math.floor(gap / HOUR_MS)} h ago`;
  if (days === 1) return 'yesterday';
  if (days < 60) return `${days} days ago`;
  return `${Math.round(gap / (30.44 * DAY_MS))} months ago`;
}

/** "today", "tomorrow", "in 6 days". */
export function untilWords(ms: number, zone: string, now: number): string {
  const days = daysBetween(now, ms, zone);
  if (days <= 0) return 'today';
  if (days === 1) return 'tomorrow';
  return `in ${days} days`;
}

/** "in 12 min", "at 18:40", "tomorrow at 07:10": when a clock ends. */
export function untilMomentWords(ms: number, zone: string, now: number): string {
  const left = ms - now;
  if (left < HOUR_MS) return `in ${Math.max(1, Math.ceil(left / MINUTE_MS))} min`;
  const day = daysBetween(now, ms, zone) === 0 ? '' : `${untilWords(ms, zone, now)} `;
  return `${day}at ${timeWords(ms, zone)}`;
}

/** A span of days in words: "5 months", "19 days". */
export function spanWords(days: number): string {
  return days < 60 ? countOf(days, 'day') : countOf(Math.round(days / 30.44), 'month');
}

/** "3:42" left on a timer, "23:05:00" on a long one; "0:00" when it has ended. */
export function countdownWords(ms: number): string {
  const seconds = Math.max(0, Math.ceil(ms / 1000));
  const two = (n: number) => String(n).padStart(2, '0');
  const minutes = Math.floor(seconds / 60);
  const hours = Math.floor(minutes / 60);
  return hours > 0
    ? `${hours}:${two(minutes % 60)}:${two(seconds % 60)}`
    : `${minutes}:${two(seconds % 60)}`;
}
