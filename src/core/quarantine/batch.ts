import type { Logged } from '../history/logged';
import { countedReadings, type TankHistory } from '../history/tankHistory';
import type { Lot } from '../livestock/roster/roster';
import type { LookEntry } from '../records/kinds/look';
import type { Batch } from '../records/schema/batch';
import type { Protocol } from '../records/schema/protocol';
import { daysBetween } from '../time/zone';
import { lookOn, lotsIn, lotsToLook } from './who';
import { batchClock, type BatchClock } from './clock/clock';

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

function daysNotEating(looks: readonly Logged<LookEntry>[], at: number, zone: string): number {
  const eaten = looks.findLast(({ entry }) => entry.state === 'well');
  const first = looks.find(
    (look) => look.entry.state === 'notEating' && (!eaten || look.at > eaten.at),
  );
  const last = looks.at(-1);
  if (!first || last?.entry.state === 'well') return 0;
  return daysBetween(first.at, at, zone) + 1;
}

type ClockHistory = Pick<TankHistory, 'tank' | 'entries' | 'readings'>;
type ClockProtocol = Pick<Protocol, 'days' | 'moves' | 'holds'>;

/** The clock that was last made of a batch, and what of. */
const lastMade = new WeakMap<
  Batch,
  { history: ClockHistory; protocol: ClockProtocol; at: number; clock: BatchClock }
>();

/** The clock of a batch, read from its tank's history; page, tasks and plan of one moment share it (decision 21). */
export function clockOf(
  batch: Batch,
  history: ClockHistory,
  protocol: ClockProtocol,
  at: number,
): BatchClock {
  const made = lastMade.get(batch);
  if (made?.history === history && made.protocol === protocol && made.at === at) return made.clock;
  const clock = makeClock(batch, history, protocol, at);
  lastMade.set(batch, { history, protocol, at, clock });
  return clock;
}

function makeClock(
  batch: Batch,
  history: ClockHistory,
  protocol: ClockProtocol,
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
