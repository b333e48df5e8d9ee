import { TZDate } from '@date-fns/tz';
import { addDays } from 'date-fns/addDays';
import { differenceInCalendarDays } from 'date-fns/differenceInCalendarDays';
import { format } from 'date-fns/format';
import { startOfDay } from 'date-fns/startOfDay';

export const HOUR_MS = 3_600_000;
export const DAY_MS = 24 * HOUR_MS;
export const MINUTE_MS = 60_000;

/** Milliseconds since the epoch of an ISO 8601 instant. */
export function instant(iso: string): number {
  return Date.parse(iso);
}

/** The instant as ISO 8601 with the offset its zone had then: "2026-11-23T18:40:00+01:00". */
export function isoInZone(ms: number, zone: string): string {
  return format(new TZDate(ms, zone), "yyyy-MM-dd'T'HH:mm:ssxxx");
}

/** Calendar day in the zone, "2026-11-23". */
export function dayOf(ms: number, zone: string): string {
  return format(new TZDate(ms, zone), 'yyyy-MM-dd');
}

/** Whole calendar days from the day of `from` to the day of `to`, both in the zone. */
export function daysBetween(from: number, to: number, zone: string): number {
  return differenceInCalendarDays(new TZDate(to, zone), new TZDate(from, zone));
}

/** Midnight that begins the calendar day of an instant, in the zone. */
export function startOfDayIn(ms: number, zone: string): number {
  return startOfDay(new TZDate(ms, zone)).getTime();
}

/** The same wall-clock time so many calendar days later, safe across daylight-saving changes. */
export function addDaysIn(ms: number, days: number, zone: string): number {
  return addDays(new TZDate(ms, zone), days).getTime();
}

/** Calendar days from the day of one moment to the first day that begins at or after another. */
export function daysUntilDay(from: number, to: number, zone: string): number {
  const days = daysBetween(from, to, zone);
  return addDaysIn(startOfDayIn(from, zone), days, zone) < to ? days + 1 : days;
}

/** The instant of a wall-clock time on a calendar day ("2026-11-23") in the zone. */
export function atTimeOn(day: string, hours: number, minutes: number, zone: string): number {
  const [y = 1970, m = 1, d = 1] = day.split('-').map(Number);
  return new TZDate(y, m - 1, d, hours, minutes, 0, zone).getTime();
}

/** Midnight that begins a calendar day ("2026-11-23") in the zone. */
export function dayStart(day: string, zone: string): number {
  return atTimeOn(day, 0, 0, zone);
}

/** Whether the platform knows this IANA zone. */
export function isKnownZone(zone: string): boolean {
  try {
    new Intl.DateTimeFormat('en', { timeZone: zone });
    return true;
  } catch {
    return false;
  }
}
