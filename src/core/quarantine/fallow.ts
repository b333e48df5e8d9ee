import { addDaysIn, daysBetween, startOfDayIn } from '../time/zone';

/** Days without fish that starve every parasite that needs them. */
export const FALLOW_DAYS = 76;
/** The shortest that anybody follows, with a diagnosis or warm water on record. */
export const SHORTEST_FALLOW_DAYS = 42;

export interface FallowQuestion {
  days: number;
  /** A diagnosis that excludes the slow parasite. */
  diagnosed: boolean;
  /** Kept warm by a logged protocol meanwhile. */
  warm: boolean;
}

/** Why fewer days than usual are not enough; null where they may be. */
export function fallowRefusal({ days, diagnosed, warm }: FallowQuestion): string | null {
  if (days >= FALLOW_DAYS) return null;
  if (days < SHORTEST_FALLOW_DAYS) {
    return `${SHORTEST_FALLOW_DAYS} days at least, and ${FALLOW_DAYS} unless a diagnosis or warm water shortens it.`;
  }
  if (diagnosed || warm) return null;
  return `Fewer than ${FALLOW_DAYS} days only with a diagnosis that excludes the slow parasite, or kept warm on record.`;
}

export interface FallowSource {
  /** When each fish that was here left, died or was given up as missing, ms; null for one that is still here. */
  fishGone: readonly (number | null)[];
  /** When anything wet came in from a system with fish, ms. */
  wetIn: readonly number[];
  begunAt: number;
  days: number;
  zone: string;
}

export interface FallowClock {
  /** Midnight of the day it counts from; null while a fish is in. */
  since: number | null;
  daysDone: number;
  /** Midnight of the day it ends; null while a fish is in. */
  ends: number | null;
  /** What set it back after it had begun, ms. */
  restarts: number[];
}

/** The countdown of a tank without fish: from the day the last is out, and anew with anything wet. */
export function fallowClock(
  { fishGone, wetIn, begunAt, days, zone }: FallowSource,
  at: number,
): FallowClock {
  if (fishGone.includes(null)) return { since: null, daysDone: 0, ends: null, restarts: [] };
  const out = Math.max(begunAt, ...fishGone.flatMap((gone) => gone ?? []));
  const restarts = wetIn.filter((wet) => wet > out && wet <= at).sort((a, b) => a - b);
  const since = startOfDayIn(Math.max(out, ...restarts), zone);
  return {
    since,
    daysDone: Math.max(0, Math.min(days, daysBetween(since, at, zone))),
    ends: addDaysIn(since, days, zone),
    restarts,
  };
}
