import { toCanonical } from '../parameters/convert';
import type { CalibrationEntry } from '../records/kinds/calibration';
import { DAY_MS, instant } from '../time/zone';
import { dimensionOf, type Dimension } from '../units/units';

/** An instrument held against standards at a moment, canonical unit of what it measures. */
export interface Check {
  at: number;
  /** What its standards are of. */
  dimension: Dimension;
  /** How it was off, as found. */
  fault: Fault;
  adjusted: boolean;
}

/** What an instrument shows of a true value: offset + slope × value, canonical units. */
interface Fault {
  offset: number;
  slope: number;
}

const RIGHT: Fault = { offset: 0, slope: 1 };
/** Steeper or flatter than this two standards contradict each other: only the first is then used. */
const SLOPES = { low: 0.5, high: 2 };

/** What a calibration found of its instrument. */
function checkOf({ at, points, unit, adjusted }: CalibrationEntry): Check {
  const [first, second] = points.map(({ standard, read }) => ({
    standard: toCanonical(standard, unit),
    read: toCanonical(read, unit),
  }));
  if (!first) throw new RangeError('A calibration has a standard.');
  const found = second ? (second.read - first.read) / (second.standard - first.standard) : 1;
  const slope = found >= SLOPES.low && found <= SLOPES.high ? found : 1;
  return {
    at: instant(at),
    dimension: dimensionOf(unit),
    fault: { offset: first.read - slope * first.standard, slope },
    adjusted,
  };
}

const known = new WeakMap<readonly CalibrationEntry[], Check[]>();

/** What the calibrations of a kit found, in order of time. */
export function checksOf(
  calibrations: Readonly<Record<string, readonly CalibrationEntry[]>>,
  kitId: string,
): readonly Check[] {
  const list = calibrations[kitId];
  if (!list) return [];
  const checks = known.get(list) ?? list.map(checkOf);
  known.set(list, checks);
  return checks;
}

function truth({ offset, slope }: Fault, read: number): number {
  return (read - offset) / slope;
}

export interface Corrected {
  /** The value once what the instrument was off by is taken away, canonical. */
  value: number;
  /** How far that may be wrong either way, since nobody knows when it went off, canonical. */
  doubt: number;
}

/**
 * A reading, corrected by the calibrations around it. Between two of them what was found at the
 * second is taken to have come about evenly; before the first one it may have been so always, or only
 * lately; after the last one an instrument that was left as it is stays off.
 * @param checks of its instrument, in order of time
 * @param read canonical unit
 */
export function corrected(checks: readonly Check[], read: number, at: number): Corrected {
  const before = checks.findLast((check) => check.at <= at);
  const after = checks.find((check) => check.at > at);
  const standing = before && !before.adjusted ? before.fault : RIGHT;
  const first = truth(standing, read);
  if (!after) return { value: first, doubt: 0 };
  const last = truth(after.fault, read);
  const doubt = Math.abs(last - first) / 2;
  if (!before) return { value: last, doubt };
  const passed = (at - before.at) / (after.at - before.at);
  return { value: first + (last - first) * passed, doubt };
}

/** How an instrument stands towards its standards at a moment. */
export interface Trust {
  /** never: no standard was ever shown to it. overdue: longer ago than its maintenance. */
  state: 'never' | 'fresh' | 'overdue';
  /** Days since the last check; null without one. */
  days: number | null;
  /** Days after which it is due again. */
  every: number;
}

/** How far an instrument can be trusted by the days since it was checked against a standard. */
export function trustOf(checks: readonly Check[], every: number, at: number): Trust {
  const last = checks.findLast((check) => check.at <= at);
  if (!last) return { state: 'never', days: null, every };
  const days = (at - last.at) / DAY_MS;
  return { state: days > every ? 'overdue' : 'fresh', days, every };
}

/**
 * How far an instrument may have drifted since its last check, canonical: its maker's ± once over
 * for each time that its usual days have passed, twice at the most. Nothing is known before the first one.
 */
export function driftDoubt(trust: Trust, accuracy: number): number {
  if (trust.days === null) return 0;
  return accuracy * Math.min(2, trust.days / trust.every);
}
