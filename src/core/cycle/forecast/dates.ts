import { quantileOfSorted, sortedCopy, weightedQuantile } from '../../math/quantile';
import { DAY_MS, MINUTE_MS } from '../../time/zone';
import type { CycleProblem } from '../problem/types';
import type { DateRange, ValueRange } from './types';

/** A day of the run as an instant, to ten minutes, since no run knows better. */
export function momentOf(problem: CycleProblem, day: number): number | null {
  if (!Number.isFinite(day)) return null;
  return Math.round((problem.origin + day * DAY_MS) / (10 * MINUTE_MS)) * 10 * MINUTE_MS;
}

/**
 * Where in the ensemble the ends of a stated range lie. On held-out tanks, whose model is another,
 * the plain 10 to 90 % of the ensemble held fewer than 8 in 10 of the dates, nearly all misses being
 * tanks that were sooner; these ends hold what is promised. See docs/science.md.
 */
export const RANGE_ENDS = { p10: 0.05, p25: 0.22, p50: 0.5, p75: 0.75, p90: 0.88 } as const;
/** No run knows the hour: the ends stand this much further apart, days. */
const BLUR = { p10: -0.3, p25: -0.1, p50: 0, p75: 0.1, p90: 0.3 } as const;

function rangeBy(problem: CycleProblem, at: (q: number) => number): DateRange {
  const end = (name: keyof DateRange) => momentOf(problem, at(RANGE_ENDS[name]) + BLUR[name]);
  return { p10: end('p10'), p25: end('p25'), p50: end('p50'), p75: end('p75'), p90: end('p90') };
}

/** Days of the run as a range of dates. */
export function dateRange(problem: CycleProblem, days: ArrayLike<number>): DateRange {
  const sorted = sortedCopy(days);
  return rangeBy(problem, (q) => quantileOfSorted(sorted, q));
}

/** The same with weights; `order` sorts the days upwards. */
export function weightedDateRange(
  problem: CycleProblem,
  days: ArrayLike<number>,
  weights: ArrayLike<number>,
  order: ArrayLike<number>,
): DateRange {
  return rangeBy(problem, (q) => weightedQuantile(days, weights, order, q));
}

export const NO_DATES: DateRange = { p10: null, p25: null, p50: null, p75: null, p90: null };

/** Rounds to so many significant digits: what is shown, cached and compared between engines. */
export function rounded(value: number, digits = 4): number {
  return Number(value.toPrecision(digits));
}

/** Quantiles of numbers. */
export function valueRange(values: ArrayLike<number>): ValueRange {
  const sorted = sortedCopy(values);
  return {
    p10: rounded(quantileOfSorted(sorted, 0.1)),
    p50: rounded(quantileOfSorted(sorted, 0.5)),
    p90: rounded(quantileOfSorted(sorted, 0.9)),
  };
}
