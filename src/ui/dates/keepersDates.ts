import { isDay, type WeekStart } from '@/core/time/calendar';
import type { DayOrder } from '@/core/time/typedDay';

const LETTERS: Readonly<Record<string, string>> = { day: 'd', month: 'm', year: 'y' };
const ORDERS: readonly DayOrder[] = ['dmy', 'mdy', 'ymd'];
const NUMERIC = { year: 'numeric', month: '2-digit', day: '2-digit', timeZone: 'UTC' } as const;

/** The order in which the keeper's own browser writes a date. */
export function keepersOrder(): DayOrder {
  const parts = new Intl.DateTimeFormat(undefined, NUMERIC).formatToParts(0);
  const order = parts.map((part) => LETTERS[part.type] ?? '').join('');
  return ORDERS.find((known) => known === order) ?? 'ymd';
}

/** A stored day as the keeper's own browser writes it; anything else as it stands. */
export function inKeepersOrder(text: string): string {
  if (!isDay(text)) return text;
  const [y = 1970, m = 1, d = 1] = text.split('-').map(Number);
  return new Intl.DateTimeFormat(undefined, NUMERIC).format(Date.UTC(y, m - 1, d));
}

/** The day of the week that the keeper's calendars begin with; Monday where the browser can't say. */
export function keepersWeekStart(): WeekStart {
  const locale = new Intl.Locale(
    new Intl.DateTimeFormat().resolvedOptions().locale,
  ) as Intl.Locale & {
    getWeekInfo?: () => { firstDay: number };
  };
  return ((locale.getWeekInfo?.().firstDay ?? 1) % 7) as WeekStart;
}
