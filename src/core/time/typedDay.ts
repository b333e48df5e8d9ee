import { format } from 'date-fns/format';
import { isMatch } from 'date-fns/isMatch';
import { parse } from 'date-fns/parse';
import { parseISO } from 'date-fns/parseISO';
import { isDay, shiftDay, shiftMonth } from './calendar';

/** The order in which people write a date. */
export type DayOrder = 'dmy' | 'mdy' | 'ymd';

/** Ways of writing a day in each order; the year may be short, or left out. */
const FORMS: Record<DayOrder, readonly string[]> = {
  dmy: ['d.M.y', 'd MMM y', 'd MMMM y', 'd.M', 'd MMM', 'd MMMM'],
  mdy: ['M.d.y', 'MMM d y', 'MMMM d y', 'M.d', 'MMM d', 'MMMM d', 'd MMM y', 'd MMM'],
  ymd: ['y.M.d', 'y MMM d', 'M.d', 'd MMM y', 'd MMM', 'd.M.y'],
};

/**
 * The day that a text means, written as stored, in the order given, or in words: "4.11.26",
 * "4/11", "4 Nov", "yesterday". Without a year it is the last such day up to `today`, or the next
 * from it where days ahead are meant.
 * @param today the keeper's own day, "2026-11-24"
 * @returns the day as stored, or null for what is none
 */
export function parseDay(
  text: string,
  order: DayOrder,
  today: string,
  sense: 'past' | 'ahead' = 'past',
): string | null {
  const written = text.trim().toLowerCase();
  if (isDay(written)) return written;
  if (written === 'today') return today;
  if (written === 'tomorrow') return shiftDay(today, 1, today);
  if (written === 'yesterday') return shiftDay(today, -1, today);
  const plain = written
    .replace(/[,\s]+/g, ' ')
    .replace(/\s?[./-]\s?/g, '.')
    .replace(/\.$/, '');
  // A short year is one of this century: tanks are younger than that.
  const full = /\d{4}/.test(plain) ? plain : plain.replace(/^(.+[. ].+[. ])(\d\d)$/, '$120$2');
  const found = FORMS[order].find((form) => isMatch(full, form));
  if (found === undefined) return null;
  const date = parse(full, found, parseISO(today));
  if (date.getFullYear() < 1990 || date.getFullYear() > 2199) return null;
  const day = format(date, 'yyyy-MM-dd');
  if (found.includes('y')) return day;
  if (sense === 'ahead') return day < today ? shiftMonth(day, 12, today) : day;
  return day > today ? shiftMonth(day, -12, today) : day;
}

/**
 * The day that was meant: typed in the keeper's order, in words, or as the day of the tank's life.
 * @param begun the first day, where one is known: "day 0"
 */
export function meantDay(
  text: string,
  order: DayOrder,
  today: string,
  begun: string | null,
): string {
  const counted = /^(?:day|d)\s*(\d{1,4})$/i.exec(text.trim());
  if (counted && begun !== null) return shiftDay(begun, Number(counted[1]), today);
  return parseDay(text, order, today) ?? text;
}
