import { addDaysIn, DAY_MS, daysBetween, startOfDayIn } from '../time/zone';
import { countOf, formatPlain } from '../units/format';

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

/** From this warmth on the parasite that needs fish lives faster, and is starved sooner, °C. */
export const WARM_FROM = 27;
/** Between two readings of a warm protocol at most, days. */
const WARM_GAP_DAYS = 3;

/** Whether the warmth of fewer days is on record: what of it is not, in words. */
export interface Warmth {
  held: boolean;
  because: string;
}

/**
 * Whether a tank was kept warm without a gap since a moment, by the temperatures that were logged.
 * @param readings °C, in order of time
 * @param since ms
 */
export function warmthSince(
  readings: readonly { at: number; best: number }[],
  since: number,
  at: number,
): Warmth {
  const own = readings.filter((reading) => reading.at >= since && reading.at <= at);
  const cool = own.find(({ best }) => best < WARM_FROM);
  if (cool) {
    return {
      held: false,
      because: `It read ${formatPlain(cool.best, 1)} °C, under the ${WARM_FROM} that shortens it`,
    };
  }
  const times = [since, ...own.map((reading) => reading.at), at];
  const gap = Math.max(...times.slice(1).map((time, i) => time - (times[i] as number)));
  return gap > WARM_GAP_DAYS * DAY_MS
    ? {
        held: false,
        because: `Its temperature stands in the log with gaps of more than ${countOf(WARM_GAP_DAYS, 'day')}`,
      }
    : { held: true, because: `At ${WARM_FROM} °C or more in every reading` };
}

/** Days that a fallow asks for: those that were chosen, or all of them once the warmth they rest on is not on record. */
export function fallowDays({ days, diagnosed, warm }: FallowQuestion, warmth: Warmth): number {
  return warm && !diagnosed && !warmth.held ? Math.max(days, FALLOW_DAYS) : days;
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
