import { TZDate } from '@date-fns/tz';
import { addDays } from 'date-fns/addDays';
import { format } from 'date-fns/format';
import { startOfDay } from 'date-fns/startOfDay';

export const HOUR_MS = 3_600_000;
export const DAY_MS = 24 * HOUR_MS;
export const MINUTE_MS = 60_000;

/** Milliseconds since the epoch of an ISO 8601 instant. */
export function instant(iso: string): number {
  return Date.parse(iso);
}

/** The calendar day that an instant falls on in a zone. */
interface DayIn {
  /** "2026-11-23" */
  day: string;
  /** Days since that of the epoch, by the calendar. */
  number: number;
  /** The instant of its midnight. */
  start: number;
  /** How far its clocks are ahead of UTC at the instant, ms; and as ISO 8601 writes it: "+01:00". */
  ahead: number;
  offset: string;
}

/** Since then every zone lies a whole number of these from UTC, and changes its clock at one. */
const BLOCK_MS = 15 * MINUTE_MS;
const WHOLE_OFFSETS_SINCE = Date.UTC(1973, 0, 1);
/** Blocks that are remembered before all are forgotten: a log of years looks at some thousands. */
const MOST_BLOCKS = 50_000;

const blocks = new Map<string, Map<number, DayIn>>();

function dayAnew(ms: number, zone: string): DayIn {
  const date = new TZDate(ms, zone);
  const day = format(date, 'yyyy-MM-dd');
  return {
    day,
    number: Math.round(Date.parse(`${day}T00:00:00Z`) / DAY_MS),
    start: startOfDay(date).getTime(),
    ahead: -date.getTimezoneOffset() * MINUTE_MS,
    offset: format(date, 'xxx'),
  };
}

/** Zones are slow to ask, and what asks looks at the same days again and again: they are remembered. */
function dayIn(ms: number, zone: string): DayIn {
  if (!(ms >= WHOLE_OFFSETS_SINCE)) return dayAnew(ms, zone);
  let known = blocks.get(zone);
  if (!known || known.size > MOST_BLOCKS) {
    known = new Map();
    blocks.set(zone, known);
  }
  const block = Math.floor(ms / BLOCK_MS);
  const found = known.get(block);
  if (found) return found;
  const made = dayAnew(ms, zone);
  known.set(block, made);
  return made;
}

/** The instant as ISO 8601 with the offset its zone had then: "2026-11-23T18:40:00+01:00". */
export function isoInZone(ms: number, zone: string): string {
  if (!(ms >= WHOLE_OFFSETS_SINCE)) {
    return format(new TZDate(ms, zone), "yyyy-MM-dd'T'HH:mm:ssxxx");
  }
  const { ahead, offset } = dayIn(ms, zone);
  return `${new Date(ms + ahead).toISOString().slice(0, 19)}${offset}`;
}

/** Calendar day in the zone, "2026-11-23". */
export function dayOf(ms: number, zone: string): string {
  return dayIn(ms, zone).day;
}

/** Whole calendar days from the day of `from` to the day of `to`, both in the zone. */
export function daysBetween(from: number, to: number, zone: string): number {
  if (Number.isNaN(from) || Number.isNaN(to)) return NaN;
  return dayIn(to, zone).number - dayIn(from, zone).number;
}

/** Midnight that begins the calendar day of an instant, in the zone. */
export function startOfDayIn(ms: number, zone: string): number {
  return Number.isNaN(ms) ? NaN : dayIn(ms, zone).start;
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
