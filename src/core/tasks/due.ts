import type { Forecast } from '../cycle/forecast/types';
import type { Verdict } from '../cycle/verdict/types';
import type { TankHistory } from '../history/tankHistory';
import type { ParameterId } from '../parameters/registry';
import { startOfDayIn } from '../time/zone';
import { cadenceTasks } from './cadence';
import { cycleTasks, nextTestTask, testedTogether } from './cycleTasks';
import { gateTasks } from './gates';
import type { DueTask } from './types';

/** What the forecast decides on while a tank cycles; the rest keeps its cadence. */
const BY_FORECAST: readonly ParameterId[] = ['ammonia', 'nitrite', 'nitrate'];

/**
 * What is due on a tank, most pressing first: while it cycles the test that the forecast finds worth
 * most and what doses and challenge ask for, a plain cadence for the rest, and the gates.
 * @param kits parameters the keeper owns a kit for; others are not asked for
 * @param at now, ms
 * @param forecast without one everything keeps its cadence
 */
export function dueTasks(
  history: TankHistory,
  verdict: Verdict,
  kits: ReadonlySet<ParameterId>,
  at: number,
  forecast: Forecast | null = null,
): DueTask[] {
  const { tank } = history;
  const next = forecast?.nextTest ?? null;
  const guided = next !== null && tank.runningSince === null && tank.fishInSince === undefined;
  const ofCycle = cycleTasks(history, forecast, at);
  // One test is one row: what the challenge or the programme asks for is not asked for twice.
  const asked = new Set(ofCycle.flatMap((task) => (task.inDays <= 0 ? task.parameters : [])));
  const guide =
    guided && kits.has(next.parameter) && !testedTogether(next).some((p) => asked.has(p))
      ? [nextTestTask(next, tank.zone, at)]
      : [];
  return [
    ...guide,
    ...ofCycle,
    ...cadenceTasks(history, verdict, kits, guided ? BY_FORECAST : [...asked], at),
    ...gateTasks(verdict, startOfDayIn(at, tank.zone)),
  ].sort((a, b) => a.inDays - b.inDays);
}

/** "now", "today", "tomorrow", "in 3 days": when a task is due. */
export function dueWords(inDays: number): string {
  if (inDays < 0) return 'now';
  if (inDays === 0) return 'today';
  if (inDays === 1) return 'tomorrow';
  if (inDays <= 3) return `in ${inDays} days`;
  return inDays <= 7 ? 'this week' : `in ${inDays} days`;
}
