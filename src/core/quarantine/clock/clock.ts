import type { Logged } from '../../history/logged';
import type { AnimalsEntry } from '../../records/kinds/animals';
import { joins } from '../../records/kinds/animals';
import { SIGN_WORDS, type DailyCheckEntry, type Sign } from '../../records/kinds/dailyCheck';
import type { Batch } from '../../records/schema/batch';
import { addDaysIn, dayOf, daysBetween, instant, startOfDayIn } from '../../time/zone';
import { listWords } from '../../units/format';
import { heldDays, type Held, type Holds } from './held';
import { releaseIn } from '../release';
import { clearAfter, episodesOf, dailyChecksOf, type Episode } from './episodes';
import { onlyGrains, transferOf, type Moves, type Transfer } from '../transfer';

/** What began a clock anew. */
export interface Restart {
  /** ms */
  at: number;
  kind: 'sign' | 'died' | 'joined' | 'byHand';
  because: string;
}

/** A sign that still stands: nobody has seen that animal well since. */
export interface StandingSign {
  cohort: string;
  what: string;
  signs: Sign[];
  /** ms */
  since: number;
  /** Whether the moves of its protocol reckon with it: it stops no day then. */
  expected: boolean;
}

export type DayState = 'clear' | 'sign' | 'before' | 'ahead';

/** One day of a batch. */
export interface BatchDay {
  /** Midnight, ms. */
  on: number;
  /** Clear days count; those *before* a restart no longer do. */
  state: DayState;
  /** Nobody looked. */
  missed: boolean;
  notEating: boolean;
}

export interface BatchClock {
  /** Clear days that its protocol asks for. */
  days: number;
  daysClear: number;
  /** Midnight of the day from which clear days count; null while a sign stands. */
  clearSince: number | null;
  standing: StandingSign[];
  restarts: Restart[];
  /** Every day from its beginning to its expected release. */
  strip: BatchDay[];
  /** Days up to yesterday on which nobody looked. */
  missed: number;
  /** When it may be released: without another sign, in the middle, and late; ms, midnight. */
  release: { p10: number; p50: number; p90: number };
  isClear: boolean;
  /** Where the moves stand, of a protocol that moves its fish between two tanks; null of any other. */
  transfer: Transfer | null;
  /** Where a figure stands that its protocol holds; null where it holds none, or readings are not known. */
  held: Held | null;
}

/** What a clock is read from. */
export interface ClockSource {
  batch: Batch;
  dailyChecks: readonly Logged<DailyCheckEntry>[];
  animals: readonly Logged<AnimalsEntry>[];
  zone: string;
  days: number;
  /** Of a protocol of moves. */
  moves?: Moves | undefined;
  /** Of a protocol that holds a figure, with the readings of it, in order of time. */
  holds?: Holds | undefined;
  readings?: readonly { at: number; best: number }[] | undefined;
}

/** The chance of another sign that is taken where the keeper named none. */
export const USUAL_RESTART_CHANCE = 0.25;

/** What joined a batch, and its beginnings by hand. */
function joinings(
  { batch, animals }: Pick<ClockSource, 'batch' | 'animals'>,
  at: number,
): Restart[] {
  const begun = instant(batch.begunAt);
  const joined = animals
    .filter((one) => joins(one.entry.move) && one.at > begun && one.at <= at)
    .map(({ at: when, entry }): Restart => ({
      at: when,
      kind: 'joined',
      because: `${entry.what} joined it`,
    }));
  const byHand: Restart[] =
    batch.restartedAt !== null && instant(batch.restartedAt) <= at
      ? [{ at: instant(batch.restartedAt), kind: 'byHand', because: 'Begun anew by you' }]
      : [];
  return [...joined, ...byHand];
}

function restartsOf(source: ClockSource, episodes: readonly Episode[], at: number): Restart[] {
  const signs = episodes
    .filter(({ expected }) => !expected)
    .map(({ what, signs: seen, first, died }): Restart => ({
      at: first,
      kind: died ? 'died' : 'sign',
      because: died
        ? `${what} was lost`
        : `${what}: ${listWords([...seen].map((sign) => SIGN_WORDS[sign].toLowerCase()))}`,
    }));
  return [...joinings(source, at), ...signs].sort((a, b) => a.at - b.at);
}

/** Days until a figure was held for its days and those after it have passed, from today. */
function heldDaysLeft({ days, done }: Held, holds: Holds, at: number, zone: string): number {
  if (done === null) return holds.days - days + holds.then;
  return Math.max(0, daysBetween(at, addDaysIn(done, holds.then, zone), zone));
}

/**
 * Follows the moves of a batch, and marks the grains that they reckon with: those that were seen before the
 * last of them, and never after.
 */
function followMoves(
  { batch, animals }: ClockSource,
  moves: Moves,
  episodes: Episode[],
  at: number,
): Transfer {
  const joined = joinings({ batch, animals }, at).map((one) => one.at);
  const grains = episodes.flatMap((episode) => episode.grains);
  const overBy = (when: number) => {
    const before = grains.filter((seen) => seen < when);
    return transferOf(batch, moves, before, joined, when).done !== null;
  };
  for (const episode of episodes) {
    episode.expected =
      !episode.died && onlyGrains([...episode.signs]) && !episode.grains.some(overBy);
  }
  return transferOf(batch, moves, grains, joined, at);
}

/**
 * Where the clock of a batch stands: clear days by the calendar of its tank's zone, from what was
 * logged alone, so that a look told later, or corrected, counts as if it had been known all along.
 */
export function batchClock(source: ClockSource, now: number): BatchClock {
  const { batch, zone, days } = source;
  // One that ended stands as it did then, whoever came into its tank since.
  const at = batch.endedAt === null ? now : Math.min(now, instant(batch.endedAt));
  const dailyChecks = dailyChecksOf(source, at);
  const begun = startOfDayIn(instant(batch.begunAt), zone);
  const episodes = episodesOf(source, dailyChecks, at);
  const transfer = source.moves ? followMoves(source, source.moves, episodes, at) : null;
  const restarts = restartsOf(source, episodes, at);
  const open = episodes.filter(({ healed }) => healed === null);
  const standing = open.map(({ cohort, what, signs, first, expected }) => ({
    ...{ cohort, what, signs: [...signs] },
    ...{ since: first, expected },
  }));
  const starts = [
    begun,
    ...restarts
      .filter(({ kind }) => kind === 'joined' || kind === 'byHand')
      .map((one) => startOfDayIn(one.at, zone)),
    ...episodes.flatMap((episode) => (episode.expected ? [] : (clearAfter(episode, zone) ?? []))),
    // Days count from where the moves do: what shed its cysts late is watched as long after them.
    ...(transfer ? [startOfDayIn(transfer.since, zone)] : []),
  ];
  const blocked = open.some(({ expected }) => !expected) || transfer?.next?.number === 0;
  const clearSince = blocked ? null : Math.max(...starts);
  const daysClear = clearSince === null ? 0 : Math.max(0, daysBetween(clearSince, at, zone));
  const today = startOfDayIn(at, zone);
  const chance = batch.restartChance ?? USUAL_RESTART_CHANCE;
  const expected = releaseIn(clearSince === null ? null : daysClear, days, chance);
  const inDays = (count: number) => addDaysIn(today, count, zone);
  const held =
    source.holds && source.readings
      ? heldDays(
          source.holds,
          source.readings.filter((one) => one.at >= instant(batch.begunAt) && one.at <= at),
          at,
        )
      : null;
  const wasHeld =
    held === null ||
    (held.done !== null && at >= addDaysIn(held.done, source.holds?.then ?? 0, zone));
  const isClear =
    clearSince !== null &&
    daysClear >= days &&
    wasHeld &&
    (transfer === null || transfer.done !== null);
  // What is held may take longer than the clear days do, and so may what comes after it.
  const heldLeft = held && source.holds ? heldDaysLeft(held, source.holds, at, zone) : 0;
  const clearedOn = clearSince === null ? today : addDaysIn(clearSince, days, zone);
  const release = isClear
    ? { p10: clearedOn, p50: clearedOn, p90: clearedOn }
    : {
        p10: inDays(Math.max(expected.p10, heldLeft)),
        p50: inDays(Math.max(expected.p50, heldLeft)),
        p90: inDays(Math.max(expected.p90, heldLeft)),
      };
  const checked = new Map<string, boolean>();
  for (const { at: when, entry } of dailyChecks) {
    const day = dayOf(when, zone);
    checked.set(day, (checked.get(day) ?? false) || entry.state === 'notEating');
  }
  const signDays = (on: number) =>
    episodes.some(({ first, last, healed, died }) => {
      if (died) return dayOf(first, zone) === dayOf(on, zone);
      const end =
        healed === null ? at : Math.max(last, addDaysIn(startOfDayIn(healed, zone), -1, zone));
      return on >= startOfDayIn(first, zone) && on <= end;
    });
  const end = Math.max(release.p10, today);
  const length = Math.min(400, daysBetween(begun, end, zone) + 1);
  const strip = Array.from({ length }, (_, i): BatchDay => {
    const on = addDaysIn(begun, i, zone);
    const day = dayOf(on, zone);
    const ahead = on > today;
    return {
      on,
      state: ahead
        ? 'ahead'
        : signDays(on)
          ? 'sign'
          : clearSince !== null && on >= clearSince
            ? 'clear'
            : 'before',
      missed: on < today && i > 0 && !checked.has(day),
      notEating: checked.get(day) ?? false,
    };
  });
  return {
    days,
    daysClear,
    clearSince,
    standing,
    restarts,
    strip,
    missed: strip.filter(({ missed }) => missed).length,
    release,
    isClear,
    transfer,
    held,
  };
}
