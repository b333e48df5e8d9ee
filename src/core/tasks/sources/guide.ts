import type { NextTest } from '../../cycle/forecast/types';
import { PARAMETERS } from '../../parameters/registry';
import { listWords } from '../../units/format';
import { cycle } from './cycleTasks';
import { occurrence } from '../occurrence';
import type { TaskSource, TaskWorld } from '../types';

/** Whether the forecast decides on the tests of a cycle. */
export function isGuided({ history, forecast }: TaskWorld): boolean {
  const { standing } = history;
  return Boolean(
    forecast?.nextTest && standing.runningSince === null && standing.fishSince === null,
  );
}

const BECAUSE: Record<NextTest['purpose'], string> = {
  learn: 'The test that tells most about the date',
  show: 'Nitrite is likely there, and has not been seen yet',
  confirm: 'Both are likely clear by then, and zeros would show it',
  challenge: 'After a dose of 2 ppm now, which shows what zeros alone do not',
};

const PREFIX = 'next-';

/** Whether a task is the test that the forecast asks for. */
export const isNextTest = ({ id }: { id: string }): boolean => id.startsWith(PREFIX);

/** The test that the forecast asks for, unless a challenge or a programme asks for it already. */
export const guide: TaskSource = {
  occurrences: (world, from, until) => {
    const { history, forecast, owned } = world;
    const next = forecast?.nextTest;
    if (!next || !isGuided(world) || !owned.has(next.parameter)) return [];
    const { parameters } = next;
    const asked = cycle
      .occurrences(world, from, until)
      .flatMap((task) => (task.inDays <= 0 ? task.parameters : []));
    if (parameters.some((parameter) => asked.includes(parameter))) return [];
    const due = occurrence(
      {
        id: `${PREFIX}${next.parameter}`,
        title: `Test ${listWords(parameters.map((p) => PARAMETERS[p].inSentence))}`,
        because: BECAUSE[next.purpose],
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
