import type { Logged } from '../history/logged';
import { countedReadings, type TankHistory } from '../history/tankHistory';
import type { Cohort } from '../livestock/roster/roster';
import type { DailyCheckEntry } from '../records/kinds/dailyCheck';
import type { Batch } from '../records/schema/batch';
import type { Protocol } from '../records/schema/protocol';
import { daysBetween } from '../time/zone';
import { dailyCheckOn, cohortsIn, cohortsToCheck } from './who';
import { batchClock, type BatchClock } from './clock/clock';

/** One animal of a batch, or those that came together, and how it was seen. */
export interface BatchAnimal {
  cohort: Cohort;
  /** Of today; null where nobody looked yet. */
  today: Logged<DailyCheckEntry> | null;
  last: Logged<DailyCheckEntry> | null;
  /** Days in a row, up to the last look, on which it did not eat; 0 while it does. */
  daysNotEating: number;
}

export interface BatchView {
  clock: BatchClock;
  animals: BatchAnimal[];
  /** Looks that are still to be made today. */
  toCheck: number;
}

function daysNotEating(
  dailyChecks: readonly Logged<DailyCheckEntry>[],
  at: number,
  zone: string,
): number {
  const eaten = dailyChecks.findLast(({ entry }) => entry.state === 'well');
  const first = dailyChecks.find(
    (dailyCheck) => dailyCheck.entry.state === 'notEating' && (!eaten || dailyCheck.at > eaten.at),
  );
  const last = dailyChecks.at(-1);
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
      dailyChecks: history.entries.dailyCheck,
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
  const animals = cohortsIn(batch, history).map((cohort): BatchAnimal => {
    const dailyChecks = history.entries.dailyCheck.filter(
      (dailyCheck) => dailyCheck.entry.cohort === cohort.id && dailyCheck.at <= at,
    );
    return {
      cohort,
      last: dailyChecks.at(-1) ?? null,
      today: dailyCheckOn(history, cohort.id, at),
      daysNotEating: daysNotEating(dailyChecks, at, zone),
    };
  });
  return {
    clock: clockOf(batch, history, protocol, at),
    animals,
    toCheck: cohortsToCheck(batch, history, at).length,
  };
}
