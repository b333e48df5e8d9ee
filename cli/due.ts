import { addDaysIn, tankHistory, type Log } from '../src/core';
import { cycleProblem, foretell, infer } from '../src/core/cycle/forecast';
import type { InferenceOptions } from '../src/core/cycle/inference/ensemble';
import { factsOf } from '../src/core/livestock/planner/facts';
import { makePlan } from '../src/core/livestock/planner/plan';
import { stockSource } from '../src/core/livestock/planner/source';
import type { RevisionOf } from '../src/core/records/schema/revision';
import { maintenanceAsks } from '../src/core/maintenance/maintenanceAsks';
import { tanksInOrder } from '../src/core/history/tanksInOrder';
import { asksOfTank } from '../src/core/tasks/sources/asksOfTank';
import { allOccurrences } from '../src/core/tasks/due';
import { settle, type Settled } from '../src/core/tasks/settle';
import type { Ask, TaskWorld } from '../src/core/tasks/types';
import { DAY_MS } from '../src/core/time/zone';
import { kitsAtHand } from './forecast';
import { verdictAt } from './verdict';
import { bandsOfLog } from './logFile';
import { iso } from './iso';

/** What tasks of a tank are worked out from, with all that the app would have worked out by then. */
function worldOf(
  log: Log,
  { id }: RevisionOf<'tank'>,
  daily: readonly Ask[],
  at: number,
  days: number,
  effort: InferenceOptions,
): TaskWorld {
  const history = tankHistory(log, id, at);
  const verdict = verdictAt(history, at, bandsOfLog(log), effort);
  const cycling =
    history.start !== null && !verdict.ready && history.standing.runningSince === null;
  const wished = log.wishes.some(({ body }) => body.tankId === id);
  const posterior = cycling || wished ? infer(cycleProblem(history, at), effort) : null;
  const forecast = cycling && posterior ? foretell(posterior, { atHand: kitsAtHand(log) }) : null;
  const source = stockSource(log, history, at, { ready: verdict.ready, forecast });
  return {
    history,
    verdict,
    forecast,
    plan: wished ? makePlan(factsOf(source), posterior) : null,
    batches: log.batches,
    runs: log.runs,
    asks: asksOfTank(log, history, at),
    daily,
    listDays: days,
    owned: new Set(log.kits.flatMap(({ body }) => (body.inUse ? [body.parameter] : []))),
  };
}

function stateOf({ task, standing }: Settled): string {
  if (standing !== 'due') return standing;
  if (task.inDays === 0) return 'due';
  return task.inDays < 0 ? 'overdue' : 'ahead';
}

/** One time of a thing to do, as the command prints it. */
export interface DueRow {
  /** Of its tank and of the time, by which `done` calls it. */
  key: string;
  tank: string;
  title: string;
  because: string;
  from: string | null;
  until: string | null;
  minutes: number;
  state: string;
}

/**
 * What is to be done at tanks over the coming days, the most pressing first: each time of each thing,
 * with the day it is for (from its midnight until the next, in the tank's zone) and what was said of it.
 */
export function dueJson(
  log: Log,
  tanks: readonly RevisionOf<'tank'>[],
  at: number,
  days: number,
  effort: InferenceOptions,
): DueRow[] {
  const histories = tanksInOrder(log).map((tank) => tankHistory(log, tank.id, at));
  const daily = maintenanceAsks(log, histories, at, days);
  return tanks
    .flatMap((tank) => {
      const world = worldOf(log, tank, daily[tank.id] ?? [], at, days, effort);
      const { zone } = tank.body;
      const until = at + days * DAY_MS;
      const all = allOccurrences(world, at, until).filter(({ dueOn }) => dueOn <= until);
      return settle(all, world.history.entries.taskMark, at).map((settled) => ({
        settled,
        zone,
        tank,
      }));
    })
    .toSorted((a, b) => a.settled.task.dueOn - b.settled.task.dueOn)
    .map(({ settled, zone, tank }) => {
      const { task, until } = settled;
      return {
        key: `${tank.id}/${task.key}`,
        tank: tank.body.name,
        title: task.title,
        because: task.because,
        from: iso(task.dueOn),
        until: iso(until ?? addDaysIn(task.dueOn, 1, zone)),
        minutes: task.minutes,
        state: stateOf(settled),
      };
    });
}
