import type { Reading } from '../history/reading';
import type { TankHistory } from '../history/tankHistory';
import type { Interval } from '../math/interval';
import type { ParameterId } from '../parameters/registry';
import { quantileOfSorted, sortedCopy } from '../math/quantile';
import { DAY_MS } from '../time/zone';

/** How a parameter held over a time, all in its canonical unit. */
export interface Stability {
  /** Readings that it rests on. */
  count: number;
  days: number;
  /** Change a day, and where it lies at 8 in 10. */
  slope: number;
  slopeRange: Interval;
  /** Robust spread about that line: half of the readings lie nearer than 0.67 of it. */
  spread: number;
  spreadRange: Interval;
}

/** Days that are looked at: longer ago says little of how it holds now. */
const WINDOW_DAYS = 45;
/** Fewer readings than this, or fewer days, tell nothing of a trend. */
const LEAST_COUNT = 5;
const LEAST_DAYS = 7;
/** Readings beyond this many are thinned: each pair of them is a slope. */
const MOST_COUNT = 120;
/** Two-sided 80 % of a normal law. */
const Z80 = 1.2816;
/** From a median of absolute residuals to a standard deviation, for normal residuals. */
const MAD_TO_SPREAD = 1.4826;
/** Relative standard error of that estimate times √n (Rousseeuw and Croux 1993: 37 % efficient). */
const SPREAD_ERROR = 1.17;

/**
 * How a parameter held lately: a line by Theil and Sen, its slope between the ranks that Kendall's
 * variance gives at 8 in 10, and the median absolute residual about it (Sen 1968).
 * @param readings that count, in order of time
 * @returns null where they are too few to tell
 */
export function stabilityOf(readings: readonly Reading[], now: number): Stability | null {
  const recent = readings.filter(({ at }) => at > now - WINDOW_DAYS * DAY_MS && at <= now);
  const step = Math.ceil(recent.length / MOST_COUNT);
  const used = recent.filter((_, i) => (recent.length - 1 - i) % step === 0);
  const first = used[0];
  const last = used.at(-1);
  if (!first || !last || used.length < LEAST_COUNT) return null;
  const days = (last.at - first.at) / DAY_MS;
  if (days < LEAST_DAYS) return null;
  const slopes: number[] = [];
  for (let i = 0; i < used.length; i += 1) {
    for (let j = i + 1; j < used.length; j += 1) {
      const [a, b] = [used[i], used[j]];
      if (!a || !b || b.at - a.at < DAY_MS / 24) continue;
      slopes.push((b.best - a.best) / ((b.at - a.at) / DAY_MS));
    }
  }
  const sorted = sortedCopy(slopes);
  const slope = quantileOfSorted(sorted, 0.5);
  const n = used.length;
  const ranks = Z80 * Math.sqrt((n * (n - 1) * (2 * n + 5)) / 18);
  const pairs = sorted.length;
  const rank = (place: number) => sorted[Math.min(pairs - 1, Math.max(0, Math.round(place)))] ?? 0;
  const centred = used.map((reading) => reading.best - (slope * (reading.at - first.at)) / DAY_MS);
  const middle = quantileOfSorted(sortedCopy(centred), 0.5);
  const residuals = sortedCopy(centred.map((value) => Math.abs(value - middle)));
  const spread = MAD_TO_SPREAD * quantileOfSorted(residuals, 0.5);
  const unsure = (Z80 * SPREAD_ERROR) / Math.sqrt(n);
  return {
    count: n,
    days,
    slope,
    slopeRange: { low: rank((pairs - ranks) / 2 - 1), high: rank((pairs + ranks) / 2) },
    spread,
    spreadRange: { low: spread * Math.max(0, 1 - unsure), high: spread * (1 + unsure) },
  };
}

/** What rises and falls in turn while a tank cycles: no line says anything of it then. */
const OF_THE_CYCLE: readonly ParameterId[] = ['ammonia', 'nitrite', 'nitrate'];

/** Whether a line can say how a parameter holds in a tank. */
export function goesByLine(parameter: ParameterId, { standing }: TankHistory): boolean {
  return standing.runningSince !== null || !OF_THE_CYCLE.includes(parameter);
}

/** What a parameter does: it holds, or it drifts one way for sure. */
export type Holding = 'steady' | 'up' | 'down';

/**
 * Whether it drifts: only where both ends of the slope lie on one side, and a week of it is more than
 * the parameter's smallest meaningful change.
 * @param meaningful that change, canonical
 */
export function holdingOf({ slope, slopeRange }: Stability, meaningful: number): Holding {
  if (Math.abs(slope) * 7 < meaningful) return 'steady';
  if (slopeRange.low > 0) return 'up';
  return slopeRange.high < 0 ? 'down' : 'steady';
}
