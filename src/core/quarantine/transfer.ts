import type { Sign } from '../records/kinds/dailyCheck';
import type { Batch } from '../records/schema/batch';
import type { Protocol } from '../records/schema/protocol';
import { DAY_MS, HOUR_MS, instant } from '../time/zone';

/** What a protocol of moves asks: at most so many hours between two, and so many of them. */
export type Moves = NonNullable<Protocol['moves']>;

/** The sign of ich, which is what the moves are for. */
const GRAINS: Sign = 'whiteGrains';

/** Signs that the moves do not answer: another disease, on which treatment is decided at once. */
export const otherSigns = (signs: readonly Sign[]) => signs.filter((sign) => sign !== GRAINS);

/** Whether nothing but grains was seen. */
export const onlyGrains = (signs: readonly Sign[]) =>
  signs.length > 0 && otherSigns(signs).length === 0;

export const showsGrains = (signs: readonly Sign[]) => signs.includes(GRAINS);

/** Two moves closer than this are one that was logged twice, ms. */
const ONE_MOVE_MS = HOUR_MS;

/** The moves of a batch with one more; as they were where that one is logged already. */
export function withMove(moves: readonly string[], at: string): string[] {
  const known = moves.some((move) => Math.abs(instant(move) - instant(at)) < ONE_MOVE_MS);
  return known ? [...moves] : [...moves, at];
}

/** Where the moves of a batch stand. */
export interface Transfer {
  /** The moment that the moves count from, ms: the beginning, or a move that came too late. */
  since: number;
  /** Moves that count since then. */
  counted: number;
  count: number;
  /** The newest move, or the beginning, ms. */
  last: number;
  /** When the last move that was asked for was made, ms; null while they go on. */
  done: number | null;
  /**
   * The next move: by when, ms, and which it is; 0 for one that begins them anew, since it comes too late or
   * grains were seen after the last. Null once all are made.
   */
  next: { by: number; number: number } | null;
  /** Why they began anew the last time; null where they did not. */
  anew: 'late' | 'grains' | 'joined' | null;
}

/**
 * Parasites leave a fish over some seven days and hatch no sooner than three after that: what is moved less
 * than so long after the first move may still carry some, however often it was moved.
 */
const LEAST_DAYS = 11.5;

/**
 * Follows the moves of a batch between two tanks. A move later than its hours begins them anew, since cysts may
 * have hatched; so do grains that are seen after the last one. Grains before it are expected.
 * @param grains when grains were seen, ms
 * @param joined when others joined it, or it was begun anew by hand, ms: who came later has all moves before it
 * @param at ms
 */
export function transferOf(
  { begunAt, moves = [] }: Pick<Batch, 'begunAt' | 'moves'>,
  { everyHours, count }: Moves,
  grains: readonly number[],
  joined: readonly number[],
  at: number,
): Transfer {
  const hours = everyHours * HOUR_MS;
  const begun = instant(begunAt);
  let [since, last, counted] = [begun, begun, 0];
  let done: number | null = null;
  // Grains after the last move wait for the one that begins anew.
  let seen: number | null = null;
  let anew: Transfer['anew'] = null;
  const events = [
    ...moves.map((move) => ({ at: instant(move), is: 'move' as const })),
    ...grains.map((when) => ({ at: when, is: 'grains' as const })),
    ...joined.map((when) => ({ at: when, is: 'joined' as const })),
  ]
    .filter((event) => event.at > begun && event.at <= at)
    .sort((a, b) => a.at - b.at);
  for (const event of events) {
    if (event.is === 'joined') {
      // The hours go on for those that were in: only the count begins anew.
      [since, counted, done, anew] = [event.at, 0, null, 'joined'];
      continue;
    }
    if (event.is === 'grains') {
      if (done !== null && seen === null) [seen, anew] = [event.at, 'grains'];
      continue;
    }
    const late = done === null && event.at - last > hours;
    if (seen !== null || late) {
      if (late) anew = 'late';
      [since, counted, done, seen] = [event.at, 0, null, null];
    } else if (done === null) {
      counted += 1;
      if (counted >= count && event.at - since >= LEAST_DAYS * DAY_MS) done = event.at;
    }
    last = event.at;
  }
  const by = last + hours;
  const next =
    seen !== null
      ? { by: seen, number: 0 }
      : done !== null
        ? null
        : { by, number: at > by ? 0 : counted + 1 };
  return { since, counted, count, last, done: seen === null ? done : null, next, anew };
}
