import { DAY_MS } from '../time/zone';

/** Days are counted without a zone here, so that no clock change moves one. */
export function dayNumber(day: string): number {
  return Math.round(
    Date.UTC(Number(day.slice(0, 4)), Number(day.slice(5, 7)) - 1, Number(day.slice(8))) / DAY_MS,
  );
}

export function dayOfNumber(number: number): string {
  return new Date(number * DAY_MS).toISOString().slice(0, 10);
}

/** The day so many days after another; before it where negative. */
export function dayAfter(day: string, days: number): string {
  return dayOfNumber(dayNumber(day) + days);
}

export function daysApart(from: string, to: string): number {
  return dayNumber(to) - dayNumber(from);
}

/** The later of two days. */
export function laterDay(a: string, b: string): string {
  return a > b ? a : b;
}
