import type { Logged } from '../history/logged';
import type { TankHistory } from '../history/tankHistory';
import { isHere, rosterOf, type Cohort, type RosterSource } from '../livestock/roster/roster';
import type { DailyCheckEntry } from '../records/kinds/dailyCheck';
import type { Batch } from '../records/schema/batch';
import { dayOf, instant } from '../time/zone';

/** The look that was made at a group on the day of a moment; null where nobody looked. */
export function dailyCheckOn(
  history: Pick<TankHistory, 'tank' | 'entries'>,
  cohortId: string,
  at: number,
): Logged<DailyCheckEntry> | null {
  const { zone } = history.tank;
  return (
    history.entries.dailyCheck.findLast(
      (dailyCheck) =>
        dailyCheck.entry.cohort === cohortId && dayOf(dailyCheck.at, zone) === dayOf(at, zone),
    ) ?? null
  );
}

/**
 * Who of a batch is in its tank now, group by group: those it began with that still live there, then whoever joined
 * since. Pages, tasks and plans ask here and nowhere else.
 */
export function cohortsIn(batch: Batch, history: RosterSource): Cohort[] {
  const cohorts = new Set(batch.animals.flatMap(({ cohort }) => cohort ?? []));
  const here = rosterOf(history).filter(isHere);
  const own = cohorts.size > 0 ? here.filter(({ id }) => cohorts.has(id)) : here;
  return [...own, ...here.filter((cohort) => !own.includes(cohort))];
}

/** Of those the ones that nobody looked at on the day of a moment. */
export function cohortsToCheck(
  batch: Batch,
  history: Pick<TankHistory, 'tank' | 'entries'>,
  at: number,
): Cohort[] {
  return cohortsIn(batch, history).filter(({ id }) => dailyCheckOn(history, id, at) === null);
}

/**
 * Since when a quarantine tank waits to be cleaned, ms: since its last batch ended. Null where it was cleaned
 * since, where none ended, and while one goes on in it.
 */
export function cleaningOwed(
  batches: readonly Batch[],
  tankId: string,
  cleanings: readonly { at: number }[],
): number | null {
  const own = batches.filter((batch) => batch.tankId === tankId);
  const ended = own.flatMap(({ endedAt }) => (endedAt === null ? [] : [instant(endedAt)]));
  if (ended.length === 0 || ended.length < own.length) return null;
  const last = Math.max(...ended);
  return cleanings.some(({ at }) => at >= last) ? null : last;
}
