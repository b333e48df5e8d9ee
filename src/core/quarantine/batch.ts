import type { Logged } from '../history/logged';
import { countedReadings, type TankHistory } from '../history/tankHistory';
import { isHere, rosterOf, type Lot } from '../livestock/roster';
import type { LookEntry } from '../records/kinds/look';
import type { Batch } from '../records/schema/batch';
import type { Protocol } from '../records/schema/protocol';
import { dayOf, daysBetween, instant } from '../time/zone';
import { batchClock, type BatchClock } from './clock';

/** One animal of a batch, or those that came together, and how it was seen. */
export interface BatchAnimal {
  lot: Lot;
  /** Of today; null where nobody looked yet. */
  today: Logged<LookEntry> | null;
  last: Logged<LookEntry> | null;
  /** Days in a row, up to the last look, on which it did not eat; 0 while it does. */
  daysNotEating: number;
}

export interface BatchView {
  clock: BatchClock;
  animals: BatchAnimal[];
  /** Looks that are still to be made today. */
  toLook: number;
}

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

function daysNotEating(looks: readonly Logged<LookEntry>[], at: number, zone: string): number {
  const eaten = looks.findLast(({ entry }) => entry.state === 'well');
  const first = looks.find(
    (look) => look.entry.state === 'notEating' && (!eaten || look.at > eaten.at),
  );
  const last = looks.at(-1);
  if (!first || last?.entry.state === 'well') return 0;
  return daysBetween(first.at, at, zone) + 1;
}

/** The clock of a batch, read from its tank's history. */
export function clockOf(
  batch: Batch,
  history: Pick<TankHistory, 'tank' | 'entries' | 'readings'>,
  protocol: Pick<Protocol, 'days' | 'moves' | 'holds'>,
  at: number,
): BatchClock {
  return batchClock(
    {
      batch,
      looks: history.entries.look,
      animals: history.entries.animals,
      zone: history.tank.zone,
      days: protocol.days,
      moves: protocol.moves,
      holds: protocol.holds,
      readings: protocol.holds && countedReadings(history, protocol.holds.parameter),
    },
    at,
  );
}

/**
 * Who of a batch is in its tank now, lot by lot: those it began with that still live there, then whoever joined
 * since. Pages, tasks and plans ask here and nowhere else.
 */
export function lotsIn(batch: Batch, history: Pick<TankHistory, 'tank' | 'entries'>): Lot[] {
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

/** A batch at a moment: its clock, and each of its animals with how it was seen. */
export function batchView(
  batch: Batch,
  history: TankHistory,
  protocol: Pick<Protocol, 'days' | 'moves' | 'holds'>,
  at: number,
): BatchView {
  const { zone } = history.tank;
  const animals = lotsIn(batch, history).map((lot): BatchAnimal => {
    const looks = history.entries.look.filter((look) => look.entry.lot === lot.id && look.at <= at);
    return {
      lot,
      last: looks.at(-1) ?? null,
      today: lookOn(history, lot.id, at),
      daysNotEating: daysNotEating(looks, at, zone),
    };
  });
  return {
    clock: clockOf(batch, history, protocol, at),
    animals,
    toLook: lotsToLook(batch, history, at).length,
  };
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
