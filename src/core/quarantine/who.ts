import type { Logged } from '../history/logged';
import type { TankHistory } from '../history/tankHistory';
import { isHere, rosterOf, type Lot, type RosterSource } from '../livestock/roster/roster';
import type { LookEntry } from '../records/kinds/look';
import type { Batch } from '../records/schema/batch';
import { dayOf, instant } from '../time/zone';

/** The look that was made at a lot on the day of a moment; null where nobody looked. */
export function lookOn(
  history: Pick<TankHistory, 'tank' | 'entries'>,
  lotId: string,
  at: number,
): Logged<LookEntry> | null {
  const { zone } = history.tank;
  return (
    history.entries.look.findLast(
      (look) => look.entry.lot === lotId && dayOf(look.at, zone) === dayOf(at, zone),
    ) ?? null
  );
}

/**
 * Who of a batch is in its tank now, lot by lot: those it began with that still live there, then whoever joined
 * since. Pages, tasks and plans ask here and nowhere else.
 */
export function lotsIn(batch: Batch, history: RosterSource): Lot[] {
  const lots = new Set(batch.animals.flatMap(({ lot }) => lot ?? []));
  const here = rosterOf(history).filter(isHere);
  const own = lots.size > 0 ? here.filter(({ id }) => lots.has(id)) : here;
  return [...own, ...here.filter((lot) => !own.includes(lot))];
}

/** Of those the ones that nobody looked at on the day of a moment. */
export function lotsToLook(
  batch: Batch,
  history: Pick<TankHistory, 'tank' | 'entries'>,
  at: number,
): Lot[] {
  return lotsIn(batch, history).filter(({ id }) => lookOn(history, id, at) === null);
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
