import { quantileOfSorted, sortedCopy, weightedQuantile } from '../../../math/quantile';
import { DAY_MS, MINUTE_MS } from '../../../time/zone';
import type { Ensemble } from '../../inference/ensemble';
import type { CycleProblem } from '../../problem/types';
import type { DateRange, ValueRange } from '../types';

/** A day of the run as an instant, to ten minutes, since no run knows better. */
export function momentOf(problem: CycleProblem, day: number): number | null {
  if (!Number.isFinite(day)) return null;
  return Math.round((problem.origin + day * DAY_MS) / (10 * MINUTE_MS)) * 10 * MINUTE_MS;
}

/** What a range of dates is read from. */
type Asked = Pick<Ensemble, 'problem' | 'way'>;

/**
 * Where in the ensemble the ends of a stated range lie, at the beginning of the way and at its end:
 * chosen on held-out tanks, whose model is another. Early on the tanks missed by a plain 10 to 90 %
 * are those that took longer; late ones were sooner, and hardly any come after the upper end. The
 * middle lies a little under the ensemble's all along. See docs/science.md.
 */
const STATED: readonly { share: number; early: number; late: number; blur: number }[] = [
  { share: 0, early: 0, late: 0, blur: -0.3 },
  { share: 0.1, early: 0.04, late: 0.11, blur: -0.3 },
  { share: 0.25, early: 0.22, late: 0.27, blur: -0.1 },
  { share: 0.5, early: 0.47, late: 0.47, blur: 0 },
  { share: 0.75, early: 0.8, late: 0.56, blur: 0.1 },
  { share: 0.9, early: 0.975, late: 0.67, blur: 0.3 },
  { share: 1, early: 1, late: 1, blur: 0.3 },
];
/** Shares of the way between which the ends for its beginning give way to those for its end. */
const GIVES_WAY = { from: 0.65, to: 0.79 };

/**
 * The date by which a share of such tanks are there, as it is stated.
 * @param at quantile of the ensemble, day of the run
 */
function statedDate(
  { problem, way }: Asked,
  share: number,
  at: (q: number) => number,
): number | null {
  const next = STATED.findIndex((s) => s.share >= share);
  const [a, b] = [STATED[Math.max(0, next - 1)], STATED[next]];
  if (!a || !b) return null;
  const part = b.share === a.share ? 1 : (share - a.share) / (b.share - a.share);
  const late = Math.min(1, Math.max(0, (way - GIVES_WAY.from) / (GIVES_WAY.to - GIVES_WAY.from)));
  const of = (s: typeof a) => s.early + (s.late - s.early) * late;
  // No run knows the hour: the ends stand a little further apart.
  const blur = a.blur + (b.blur - a.blur) * part;
  return momentOf(problem, at(of(a) + (of(b) - of(a)) * part) + blur);
}

function rangeBy(asked: Asked, at: (q: number) => number): DateRange {
  const date = (share: number) => statedDate(asked, share, at);
  return { p10: date(0.1), p25: date(0.25), p50: date(0.5), p75: date(0.75), p90: date(0.9) };
}

/** The dates by which 5, 10, … 95 % of such tanks are there. */
export function datesByShare(asked: Asked, days: ArrayLike<number>): (number | null)[] {
  const sorted = sortedCopy(days);
  return Array.from({ length: 19 }, (_, i) =>
    statedDate(asked, 0.05 * (i + 1), (q) => quantileOfSorted(sorted, q)),
  );
}

/** Days of the run as a range of dates. */
export function dateRange(asked: Asked, days: ArrayLike<number>): DateRange {
  const sorted = sortedCopy(days);
  return rangeBy(asked, (q) => quantileOfSorted(sorted, q));
}

/** A range of which no date lies before what the readings allow: a quantile may, by the blur of its ends. */
export function notBefore(range: DateRange, moment: number): DateRange {
  const date = (at: number | null) => (at === null ? null : Math.max(at, moment));
  const { p10, p25, p50, p75, p90 } = range;
  return { p10: date(p10), p25: date(p25), p50: date(p50), p75: date(p75), p90: date(p90) };
}

/** The same with weights; `order` sorts the days upwards. */
export function weightedDateRange(
  asked: Asked,
  days: ArrayLike<number>,
  weights: ArrayLike<number>,
  order: ArrayLike<number>,
): DateRange {
  return rangeBy(asked, (q) => weightedQuantile(days, weights, order, q));
}

export const NO_DATES: DateRange = { p10: null, p25: null, p50: null, p75: null, p90: null };

/** Rounds to so many significant digits: what is shown, cached and compared between engines. */
export function rounded(value: number, digits = 4): number {
  return Number(value.toPrecision(digits));
}

/** A chance or a share as whole percents, 0 to 1: a sampler knows no finer, and 1e-45 says nothing. */
export function wholePercent(chance: number): number {
  return Math.round(100 * Math.min(1, Math.max(0, chance))) / 100;
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
