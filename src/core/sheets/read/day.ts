import { parseClock } from '../../time/calendar';
import { instant } from '../../time/zone';
import { parseDay, type DayOrder } from '../../time/typedDay';

/** What a cell says about when a test was made. */
export interface When {
  /** "2026-11-24"; null where it is counted from the filling, or said as an instant. */
  day: string | null;
  /** Day of the tank's life. */
  tankDay?: number;
  /** "18:30" */
  time?: string;
  /** ms, where the cell says its offset from UTC. */
  at?: number;
}

export const ORDERS: readonly DayOrder[] = ['dmy', 'mdy', 'ymd'];

const two = (n: number): string => String(n).padStart(2, '0');

/** A time of day as "18:30", from "6:30 pm", "18.30", "18h30"; null for none. */
export function timeIn(text: string): string | null {
  const clock = parseClock(
    text
      .trim()
      .replace(/([ap])\.m\.?/i, '$1m')
      .replace(/\s*(uhr|h)$/i, '')
      .replace(/^(\d{1,2}[:.h]\d{2})[:.]\d{2}(\.\d+)?/, '$1'),
  );
  return clock && `${two(clock.hours)}:${two(clock.minutes)}`;
}

const COUNTED = /^(?:day|d|tag)\s*#?(\d{1,4})$/i;
const WITH_OFFSET = /^\d{4}-\d\d-\d\d[T ]\d\d:\d\d(?::\d\d(?:\.\d+)?)?\s?(?:z|[+-]\d\d:?\d\d)$/i;
const AT_ITS_END =
  /[,T\s]\s*(?:at\s+)?(\d{1,2}[:.h]\d{2}(?:[:.]\d{2}(?:\.\d+)?)?\s*(?:[ap]\.?m\.?|h|uhr)?|\d{1,2}\s*[ap]\.?m\.?)$/i;
const WEEKDAY = /^(?:mon|tue|wed|thu|fri|sat|sun)[a-z]*[.,]?\s+/i;
const ORDINAL = /(\d)(?:st|nd|rd|th)\b/gi;

/**
 * When a cell says that something was, read in an order of day and month.
 * @param today the keeper's own day, from which a missing year follows
 * @param year the year that the sheet is of, where its name or title says it
 */
export function whenIn(
  text: string,
  order: DayOrder,
  today: string,
  year: number | null = null,
): When | null {
  const written = text.normalize('NFKC').trim();
  if (written === '' || written.length > 60) return null;
  const counted = COUNTED.exec(written);
  if (counted) return { day: null, tankDay: Number(counted[1]) };
  if (WITH_OFFSET.test(written)) {
    const at = instant(written.replace(/^(\S+) (?=\d)/, '$1T').replace(' ', ''));
    return Number.isNaN(at) ? null : { day: null, at };
  }
  const serial = /^(\d{5})(?:[.,](\d+))?$/.exec(written);
  if (serial) return serialDay(Number(serial[1]), serial[2]);
  const ending = AT_ITS_END.exec(written);
  const time = ending && timeIn(ending[1] ?? '');
  const date = (ending && time ? written.slice(0, ending.index) : written)
    .replace(WEEKDAY, '')
    .replace(ORDINAL, '$1')
    .trim();
  const day = dayIn(date, order, today, year);
  return day === null ? null : { day, ...(time ? { time } : {}) };
}

/** Days since the last but one of 1899, as workbooks count them; from 1990 to 2100. */
const SERIAL_ZERO = Date.UTC(1899, 11, 30);

function serialDay(days: number, fraction: string | undefined): When | null {
  const at = new Date(SERIAL_ZERO + days * 86_400_000);
  if (at.getUTCFullYear() < 1990 || at.getUTCFullYear() > 2100) return null;
  const day = at.toISOString().slice(0, 10);
  const minutes = Math.min(1439, Math.round(Number(`0.${fraction ?? 0}`) * 1440));
  if (fraction === undefined) return { day };
  return { day, time: `${two(Math.floor(minutes / 60))}:${two(minutes % 60)}` };
}

const THREE_PARTS = /^(\d{1,4})\s?([./-])\s?(\d{1,2})\s?[./-]\s?(\d{2,4})\.?$/;
/** A day and a month alone: with a stroke, or with a dot behind each, for 8.2 is a test's value. */
const TWO_PARTS = /^(\d{1,2})(?:\/(\d{1,2})|\.(\d{1,2})\.)$/;

function dayIn(date: string, order: DayOrder, today: string, year: number | null): string | null {
  const three = THREE_PARTS.exec(date);
  if (three) {
    const [, first = '', sign, second = '', third = ''] = three;
    if (first.length >= 3) return third.length > 2 ? null : made(first, second, third);
    if (order === 'mdy') return made(third, first, second);
    // A short year is written first with a hyphen behind it, as the long one is.
    if (order === 'ymd')
      return sign === '-' && third.length === 2 ? made(first, second, third) : null;
    return made(third, second, first);
  }
  const two = TWO_PARTS.exec(date);
  if (two) {
    const [day, month] = order === 'dmy' ? [two[1], two[2] ?? two[3]] : [two[2] ?? two[3], two[1]];
    return inYear(day ?? '', month ?? '', today, year);
  }
  if (!/[a-z]{3}/i.test(date) || !/\d/.test(date)) return null;
  const words = date.replace(/\s*-\s*/g, ' ').replace(/[.,]/g, ' ');
  const found = parseDay(words, order, today);
  const saysYear = /\d{4}|\d\D+\d/.test(words);
  return found === null || saysYear || year === null ? found : `${year}${found.slice(4)}`;
}

/** A day and a month in the year that the sheet is of, else the last such day up to today. */
function inYear(day: string, month: string, today: string, year: number | null): string | null {
  if (year !== null) return made(String(year), month, day);
  const thisYear = Number(today.slice(0, 4));
  const found = made(String(thisYear), month, day);
  return found !== null && found > today ? made(String(thisYear - 1), month, day) : found;
}

function made(year: string, month: string, day: string): string | null {
  if (year.length !== 4 && year.length !== 2) return null;
  // A short year is one of this century: tanks are younger than that.
  const [y, m, d] = [Number(year.length === 2 ? `20${year}` : year), Number(month), Number(day)];
  const date = new Date(Date.UTC(y, m - 1, d));
  const holds = y >= 1990 && y <= 2199 && date.getUTCMonth() === m - 1 && date.getUTCDate() === d;
  return holds ? `${y}-${two(m)}-${two(d)}` : null;
}
