import type { Forecast } from '../cycle/forecast/types';
import type { Verdict } from '../cycle/verdict/types';
import type { TankHistory } from '../history/tankHistory';
import type { Plan } from '../livestock/planner/types';
import type { ParameterId } from '../parameters/registry';
import { DAY_MS } from '../time/zone';
import { settle } from './settle';
import { TASK_SOURCES } from './sources';
import type { Occurrence, TaskSource, TaskWorld } from './types';

/** Days that are looked ahead for what comes after the next of each. */
const AHEAD_DAYS = 45;

/** Every occurrence until a moment, source by source. One test is asked for once, by the first. */
export function allOccurrences(world: TaskWorld, from: number, until: number): Occurrence[] {
  if (world.history.standing.closedAt !== null) return [];
  const asked = new Set<ParameterId>();
  const sources: TaskSource[] = Object.values(TASK_SOURCES);
  return sources.flatMap((source) => {
    const fresh = source
      .occurrences(world, from, until)
      .filter((task) => !task.parameters.some((parameter) => asked.has(parameter)));
    for (const task of fresh) {
      if (task.inDays <= 0) for (const parameter of task.parameters) asked.add(parameter);
    }
    return fresh;
  });
}

/**
 * What is due on a tank, most useful first, where being late is no use in itself: of each thing the next time that was neither done,
 * skipped nor put off.
 * @param owned parameters the keeper owns a kit for; others are not asked for
 * @param at now, ms
 * @param forecast without one everything keeps its cadence
 * @param plan of its wishes, whose dates fall due
 * @param household batches and runs of the log, and what is asked for by more than lies in the first load
 */
export function dueTasks(
  history: TankHistory,
  verdict: Verdict,
  owned: ReadonlySet<ParameterId>,
  at: number,
  forecast: Forecast | null = null,
  plan: Plan | null = null,
  household: Pick<TaskWorld, 'batches' | 'runs' | 'asks' | 'daily'> = {},
): Occurrence[] {
  const world = { history, verdict, owned, forecast, plan, ...household };
  const all = allOccurrences(world, at, at + AHEAD_DAYS * DAY_MS);
  const first = new Map<string, Occurrence>();
  for (const { task, standing } of settle(all, history.entries.taskMark, at)) {
    if (standing === 'due' && !first.has(task.id)) first.set(task.id, task);
  }
  return [...first.values()].sort((a, b) => Math.max(0, a.inDays) - Math.max(0, b.inDays));
}

/** "now", "today", "tomorrow", "in 3 days": when a task is due. */
export function dueWords(inDays: number): string {
  if (inDays < 0) return 'now';
  if (inDays === 0) return 'today';
  if (inDays === 1) return 'tomorrow';
  if (inDays <= 3) return `in ${inDays} days`;
  return inDays <= 7 ? 'this week' : `in ${inDays} days`;
}
