import type { Ensemble, Member } from '../../inference/ensemble';
import type { CycleEvent } from '../../kinetics/events';
import { SAFE } from '../../verdict/safe';
import { CLEAR, nowDay, type Ahead } from '../course/ahead';
import { carriesAfter } from '../assurance';
import { cellChances, type Usable } from '../nextTest/learning';

/** Chance of being clear from which a test is asked for as proof. */
export const LIKELY_CLEAR = 0.8;
/** Chance that the kits at hand show both at zero then: what is clear may still colour a card. */
const LIKELY_ZERO = 0.7;
/** A card that colours at true zero gets no better: this much of the best that it can come to is enough. */
const NEARLY_BEST = 0.95;

/** Share of the members in which both are clear for good by a day of the run. */
export function chanceClear(ahead: Ahead, parameter: 'ammonia' | 'nitrite', day: number): number {
  const clears = parameter === 'ammonia' ? ahead.ammoniaClears : ahead.nitriteClears;
  let count = 0;
  for (const at of clears) if (at <= day) count += 1;
  return count / clears.length;
}

/** Chance by which both are clear for good on a day of the run: of the side that lags. */
export function bothClearBy(ahead: Ahead, day: number): number {
  return Math.min(chanceClear(ahead, 'ammonia', day), chanceClear(ahead, 'nitrite', day));
}

/** Chance that a test of both at a point reads zero with the kits at hand. */
function bothReadZero(
  ensemble: Ensemble,
  ahead: Ahead,
  usable: readonly Usable[],
  point: number,
): number {
  const zero = new Float64Array(ensemble.members.length).fill(1);
  for (const use of usable) {
    // A meter has no lowest step: what it shows of a clear tank passes for zero.
    if (use.kit.parameter === 'nitrate' || !use.kit.card) continue;
    const [lowest] = cellChances(ensemble, ahead, use, point).chances;
    lowest?.forEach((chance, row) => {
      zero[row] = (zero[row] as number) * chance;
    });
  }
  return zero.reduce((a, b) => a + b, 0) / zero.length;
}

/** The first point, from one on, at which both are likely clear and likely read as zero. */
export function likelyZeroFrom(
  first: number,
  ensemble: Ensemble,
  ahead: Ahead,
  usable: readonly Usable[],
): number | undefined {
  const now = nowDay(ensemble.problem);
  const best = bothReadZero(ensemble, ahead, usable, ahead.points - 1);
  const enough = Math.min(LIKELY_ZERO, NEARLY_BEST * best);
  for (let point = first; point < ahead.points; point += ahead.perDay) {
    if (bothClearBy(ahead, now + point / ahead.perDay) < LIKELY_CLEAR) continue;
    if (bothReadZero(ensemble, ahead, usable, point) >= enough) return point;
  }
  return undefined;
}

/** Share of the tanks that has next to nothing left in the water at a point. */
export function nearlyClear(ahead: Ahead, point: number): number {
  const tanks = ahead.nitriteClears.length;
  let count = 0;
  for (let row = 0; row < tanks; row += 1) {
    const at = row * ahead.points + point;
    const [ammonia, nitrite] = [ahead.ammonia[at] as number, ahead.nitrite[at] as number];
    count += Number(ammonia < CLEAR && nitrite <= SAFE);
  }
  return count / tanks;
}

/**
 * Below this chance that filter bacteria carry a load by the time of a test they are fed before that: what is asked of
 * *ready* is more, and zeros of filter bacteria that fell short of it would only be followed by another dose.
 */
const STARVES = 0.9;
/** Days for which it is asked where zeros are not in sight. */
const NO_ZERO_DAYS = 14;

/** Whether the filter bacteria would be too weak for a load by the point of zeros, so that they had to be fed again. */
export function starvesBy(
  zero: number | undefined,
  ensemble: Ensemble,
  ahead: Ahead,
  events?: (member: Member) => CycleEvent[],
): boolean {
  const days = zero === undefined ? NO_ZERO_DAYS : zero / ahead.perDay;
  return carriesAfter(ensemble, days, events) < STARVES;
}

/**
 * The point for a test that is to show both at zero, from the one on that is wanted. Filter bacteria that would
 * starve until then is looked at sooner, while next to nothing is left, so that it can be fed in time.
 * @param soonest the first point at which a test is worth it
 * @param events what is put in now, with which `ahead` was run
 */
export function proofPoint(
  { soonest, wanted = soonest }: { soonest: number; wanted?: number },
  ensemble: Ensemble,
  ahead: Ahead,
  usable: readonly Usable[],
  events?: (member: Member) => CycleEvent[],
): number | undefined {
  const { facts, animals } = ensemble.problem;
  const zero = likelyZeroFrom(wanted, ensemble, ahead, usable);
  if (animals || !facts.nitriteShown || !starvesBy(zero, ensemble, ahead, events)) return zero;
  for (let point = soonest; point < (zero ?? ahead.points); point += ahead.perDay) {
    if (nearlyClear(ahead, point) >= LIKELY_CLEAR) return point;
  }
  return zero;
}
