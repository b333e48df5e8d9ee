import { addDays } from 'date-fns/addDays';
import { addMonths } from 'date-fns/addMonths';
import { eachDayOfInterval } from 'date-fns/eachDayOfInterval';
import { endOfMonth } from 'date-fns/endOfMonth';
import { endOfWeek } from 'date-fns/endOfWeek';
import { format } from 'date-fns/format';
import { isValid } from 'date-fns/isValid';
import { parseISO } from 'date-fns/parseISO';
import { startOfMonth } from 'date-fns/startOfMonth';
import { startOfWeek } from 'date-fns/startOfWeek';

// Calendar days stand apart from instants: "2026-11-04" is a day in whatever zone it is lived.

const DAY = 'yyyy-MM-dd';

/** Days of the week, 0 for Sunday. */
export type WeekStart = 0 | 1 | 2 | 3 | 4 | 5 | 6;

/** Whether a text is a calendar day as it is stored: "2026-11-04". */
export function isDay(text: string): boolean {
  return /^\d{4}-\d\d-\d\d$/.test(text) && isValid(parseISO(text));
}

/** The calendar day so many days from another; from `today` when it is not a day yet. */
export function shiftDay(day: string, days: number, today: string): string {
  return isDay(day) ? format(addDays(parseISO(day), days), DAY) : today;
}

/** The calendar day so many months from another, the last of a shorter month at most. */
export function shiftMonth(day: string, months: number, today: string): string {
  return isDay(day) ? format(addMonths(parseISO(day), months), DAY) : today;
}

/** A day in words, so that a slip in the digits is seen: "Wed 4 Nov 2026". Null for what is none. */
export function dayInWords(day: string): string | null {
  return isDay(day) ? format(parseISO(day), 'EEE d MMM yyyy') : null;
}

/** Month and year of a day: "November 2026". */
export function monthWords(day: string): string {
  return format(parseISO(day), 'MMMM yyyy');
}

/** The month of a day in whole weeks, those of its neighbours filling the ends. */
export function monthWeeks(day: string, weekStartsOn: WeekStart): string[][] {
  const first = startOfMonth(parseISO(day));
  const days = eachDayOfInterval({
    start: startOfWeek(first, { weekStartsOn }),
    end: endOfWeek(endOfMonth(first), { weekStartsOn }),
  }).map((date) => format(date, DAY));
  return Array.from({ length: days.length / 7 }, (_, week) => days.slice(week * 7, week * 7 + 7));
}

/** A clock time as people type it: 18:40, 18.40, 1840, 7:05, 6:40 pm. Null for anything else. */
export function parseClock(text: string): { hours: number; minutes: number } | null {
  const match = /^(\d{1,2})[:.h ]?(\d{2})?\s?(am|pm)?$/i.exec(text.trim());
  if (!match || (match[2] === undefined && match[3] === undefined)) return null;
  const half = match[3]?.toLowerCase();
  const written = Number(match[1]);
  const minutes = Number(match[2] ?? 0);
  if (half !== undefined && (written < 1 || written > 12)) return null;
  const hours = half === undefined ? written : (written % 12) + (half === 'pm' ? 12 : 0);
  return hours < 24 && minutes < 60 ? { hours, minutes } : null;
}
