import type { Logged } from '../../history/logged';
import { joins, type AnimalsEntry } from '../../records/kinds/animals';
import type { DailyCheckEntry, Sign } from '../../records/kinds/dailyCheck';
import type { Batch } from '../../records/schema/batch';
import { addDaysIn, daysBetween, instant, startOfDayIn } from '../../time/zone';
import { showsGrains } from '../transfer';

/** What was seen of a batch. */
interface Seen {
  batch: Batch;
  dailyChecks: readonly Logged<DailyCheckEntry>[];
  animals: readonly Logged<AnimalsEntry>[];
  zone: string;
}

/** A span over which one animal showed signs. */
export interface Episode {
  what: string;
  cohort: string;
  signs: Set<Sign>;
  /** When grains were seen on it, ms. */
  grains: number[];
  first: number;
  last: number;
  /** When it was seen without, ms; null while it was not. */
  healed: number | null;
  died: boolean;
  /** Grains that the moves of a protocol reckon with: they stop no day. */
  expected: boolean;
}

/** The looks at the animals of a batch, from the morning it began on, in order of time. */
export function dailyChecksOf(
  { batch, dailyChecks, zone }: Seen,
  at: number,
): Logged<DailyCheckEntry>[] {
  const from = startOfDayIn(instant(batch.begunAt), zone);
  const cohorts = new Set(batch.animals.flatMap(({ cohort }) => cohort ?? []));
  return dailyChecks
    .filter((dailyCheck) => dailyCheck.at >= from && dailyCheck.at <= at)
    .filter((dailyCheck) => cohorts.size === 0 || cohorts.has(dailyCheck.entry.cohort))
    .toSorted((a, b) => a.at - b.at);
}

export function episodesOf(
  { batch, animals }: Pick<Seen, 'batch' | 'animals'>,
  dailyChecks: readonly Logged<DailyCheckEntry>[],
  at: number,
): Episode[] {
  const begun = instant(batch.begunAt);
  const cohorts = new Set(batch.animals.flatMap(({ cohort }) => cohort ?? []));
  const open = new Map<string, Episode>();
  const all: Episode[] = [];
  for (const { at: when, entry } of dailyChecks) {
    const current = open.get(entry.cohort);
    if (entry.state !== 'sign') {
      if (current) current.healed = when;
      open.delete(entry.cohort);
      continue;
    }
    if (current) {
      current.last = when;
      for (const sign of entry.signs) current.signs.add(sign);
      if (showsGrains(entry.signs)) current.grains.push(when);
      continue;
    }
    const episode: Episode = {
      what: entry.what,
      cohort: entry.cohort,
      signs: new Set(entry.signs),
      grains: showsGrains(entry.signs) ? [when] : [],
      first: when,
      last: when,
      healed: null,
      died: false,
      expected: false,
    };
    open.set(entry.cohort, episode);
    all.push(episode);
  }
  for (const { at: when, entry } of animals) {
    if (joins(entry.move) || when < begun || when > at) continue;
    if (entry.cohort !== undefined && cohorts.size > 0 && !cohorts.has(entry.cohort)) continue;
    const current = entry.cohort === undefined ? undefined : open.get(entry.cohort);
    // What left with a sign is not seen healed here any more: the rest are watched from that day on.
    if (current && current.healed === null && when >= current.first) {
      current.last = Math.max(current.last, when);
      current.healed = when;
    }
    if (entry.move !== 'died' && entry.move !== 'missing') continue;
    all.push({
      what: entry.what,
      cohort: entry.cohort ?? '',
      signs: new Set(),
      grains: [],
      first: when,
      last: when,
      healed: when,
      died: true,
      expected: false,
    });
  }
  return all;
}

/**
 * The day before the first that counts after an episode: that of the last sign, or, where days between
 * it and the healthy look went unseen, the last of those. A day nobody saw is not clear by itself.
 */
export function clearAfter({ last, healed }: Episode, zone: string): number | null {
  if (healed === null) return null;
  const lastDay = startOfDayIn(last, zone);
  const gap = daysBetween(last, healed, zone);
  return gap <= 1 ? lastDay : addDaysIn(lastDay, gap - 1, zone);
}
