import type { TankHistory } from '../../history/tankHistory';
import { joins } from '../../records/kinds/animals';
import { addDaysIn, DAY_MS, daysBetween, startOfDayIn } from '../../time/zone';
import { countOf, formatPlain } from '../../units/format';

/** Days without fish that starve ich and velvet; not what lives free of fish, such as uronema. */
export const FALLOW_DAYS = 76;
/** At this temperature in every reading the slow stages are over sooner, °C. */
export const WARM = { low: 27, high: 28 } as const;
export const WARM_FALLOW_DAYS = 45;
/** Where velvet was found under a microscope, and ich looked for and not found. */
export const SHORTEST_FALLOW_DAYS = 42;

export interface FallowQuestion {
  days: number;
  /** Velvet was found under a microscope, and ich looked for and not found. */
  diagnosed: boolean;
  /** Kept at 27 to 28 °C by every reading meanwhile. */
  warm: boolean;
}

/** An animal that stays in through the days without fish. */
export interface Staying {
  name: string;
  /** The warmest it lives at, °C. */
  high: number;
}

/** Why fewer days than usual are not enough; null where they may be. */
export function fallowRefusal(
  { days, diagnosed, warm }: FallowQuestion,
  staying: readonly Staying[] = [],
): string | null {
  if (days >= FALLOW_DAYS) return null;
  if (days < SHORTEST_FALLOW_DAYS) {
    return `${SHORTEST_FALLOW_DAYS} days at least, and ${FALLOW_DAYS} unless a diagnosis or warm water shortens it.`;
  }
  if (diagnosed) return null;
  if (!warm) {
    return `Fewer than ${FALLOW_DAYS} days only where velvet was found under a microscope and ich looked for and not found, or at ${WARM.low} to ${WARM.high} °C in every reading.`;
  }
  if (days < WARM_FALLOW_DAYS) {
    return `${WARM_FALLOW_DAYS} days at least at ${WARM.low} to ${WARM.high} °C.`;
  }
  const cool = staying.find(({ high }) => high < WARM.low);
  return cool
    ? `${cool.name} lives at ${formatPlain(cool.high, 1)} °C at most: not ${WARM.low}, so ${FALLOW_DAYS} days.`
    : null;
}

/** Between two readings of a warm protocol at most, days. */
const WARM_GAP_DAYS = 3;

/** Whether the temperature of fewer days is on record: what of it is not, in words. */
export interface Temperature {
  held: boolean;
  because: string;
}

/**
 * Whether a tank was kept warm without a gap since a moment, by the temperatures that were logged.
 * @param readings °C, in order of time
 * @param since ms
 */
export function temperatureSince(
  readings: readonly { at: number; best: number }[],
  since: number,
  at: number,
): Temperature {
  const own = readings.filter((reading) => reading.at >= since && reading.at <= at);
  const beyond = own.find(({ best }) => best < WARM.low || best > WARM.high);
  if (beyond) {
    return {
      held: false,
      because: `It read ${formatPlain(beyond.best, 1)} °C, and ${WARM.low} to ${WARM.high} shorten it`,
    };
  }
  const times = [since, ...own.map((reading) => reading.at), at];
  const gap = Math.max(...times.slice(1).map((time, i) => time - (times[i] as number)));
  return gap > WARM_GAP_DAYS * DAY_MS
    ? {
        held: false,
        because: `Its temperature stands in the log with gaps of more than ${countOf(WARM_GAP_DAYS, 'day')}`,
      }
    : { held: true, because: `At ${WARM.low} to ${WARM.high} °C in every reading` };
}

/** Days that a fallow asks for: those that were chosen, or all of them once the temperature they rest on is not on record. */
export function fallowDays(
  { days, diagnosed, warm }: FallowQuestion,
  temperature: Temperature,
): number {
  return warm && !diagnosed && !temperature.held ? Math.max(days, FALLOW_DAYS) : days;
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

/**
 * When anything wet came into a tank from a system with fish, as far as its log says, ms: animals that are no
 * fish, live rock and sand, media and sponges of another filter, water of another tank.
 */
export function wetInto({ entries }: Pick<TankHistory, 'entries'>, since: number): number[] {
  return [
    ...entries.animals.filter(({ entry }) => joins(entry.move) && entry.group !== 'fish'),
    ...entries.media.filter(
      ({ entry }) => entry.move.to === 'in' && entry.move.media !== 'coatedRock',
    ),
    ...entries.sponge.filter(({ entry }) => entry.move === 'working'),
    ...entries.waterChange.filter(({ entry }) => entry.source === 'otherTank'),
  ]
    .map(({ at }) => at)
    .filter((at) => at > since)
    .sort((a, b) => a - b);
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
