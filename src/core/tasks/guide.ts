import type { NextTest } from '../cycle/forecast/types';
import type { Nitrogen } from '../cycle/problem/types';
import { PARAMETERS } from '../parameters/registry';
import { listWords } from '../units/format';
import { cycle } from './cycleTasks';
import { occurrence } from './occurrence';
import type { TaskSource, TaskWorld } from './types';

/** What is tested together: a proof needs both at zero, and one sitting gives it. */
export function testedTogether(next: NextTest): Nitrogen[] {
  return next.purpose === 'confirm' ? ['ammonia', 'nitrite'] : [next.parameter];
}

/** Whether the forecast decides on the tests of a cycle. */
export function isGuided({ history, forecast }: TaskWorld): boolean {
  const { standing } = history;
  return Boolean(
    forecast?.nextTest && standing.runningSince === null && standing.fishSince === null,
  );
}

/** The test that the forecast asks for, unless a challenge or a programme asks for it already. */
export const guide: TaskSource = {
  occurrences: (world, from, until) => {
    const { history, forecast, owned } = world;
    const next = forecast?.nextTest;
    if (!next || !isGuided(world) || !owned.has(next.parameter)) return [];
    const parameters = testedTogether(next);
    const asked = cycle
      .occurrences(world, from, until)
      .flatMap((task) => (task.inDays <= 0 ? task.parameters : []));
    if (parameters.some((parameter) => asked.includes(parameter))) return [];
    const due = occurrence(
      {
        id: `next-${next.parameter}`,
        title: `Test ${listWords(parameters.map((p) => PARAMETERS[p].inSentence))}`,
        because:
          next.purpose === 'confirm'
            ? 'Both are likely clear by then, and zeros would show it'
            : 'The test that tells most about the date',
        minutes: PARAMETERS[next.parameter].minutes,
        parameters,
        opens: { form: 'reading' },
      },
      next.at,
      history.tank.zone,
      from,
    );
    return [{ ...due, inDays: Math.max(0, due.inDays) }];
  },
};
