import { shortDay } from '@/core/time/words';
import { addDaysIn, DAY_MS, daysBetween, startOfDayIn } from '@/core/time/zone';

export interface ChartSpan {
  from: number;
  to: number;
  ticks: { at: number; label: string }[];
}

/** A span of time with about five round ticks, labelled by date. */
export function datedSpan(from: number, now: number, zone: string): ChartSpan {
  const start = startOfDayIn(from, zone);
  const days = Math.max(4, daysBetween(start, now, zone) + 1);
  const step = [1, 2, 3, 7, 14, 28, 56, 91, 182].find((s) => days / s <= 5) ?? 365;
  const ticks = [];
  for (let day = 0; day <= days; day += step) {
    const at = addDaysIn(start, day, zone);
    ticks.push({ at, label: shortDay(at, zone) });
  }
  return { from: start, to: start + days * DAY_MS, ticks };
}

/** A span counted in days of the tank's life, with `most` ticks after the first. */
export function daySpan(
  from: number,
  now: number,
  zone: string,
  most: number,
  ahead = 2,
): ChartSpan {
  const start = startOfDayIn(from, zone);
  const days = Math.max(10, daysBetween(start, now, zone) + ahead);
  const step = [2, 5, 10, 20, 50, 100].find((s) => days / s <= most) ?? 200;
  const ticks = [];
  for (let day = 0; day <= days; day += step) {
    ticks.push({ at: addDaysIn(start, day, zone), label: day === 0 ? 'day 0' : `day ${day}` });
  }
  return { from: start, to: addDaysIn(start, days, zone), ticks };
}
