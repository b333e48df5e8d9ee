import { PARAMETERS } from '../parameters/registry';
import { capitalise, countOf, listWords } from '../units/format';
import { spanOfMinutes } from '../units/duration';
import type { Occurrence } from './types';

const isTest = (task: Occurrence) => 'form' in task.opens && task.opens.form === 'reading';

/** Tests that fall due together are done in one go, and are one row. */
export function grouped(tasks: readonly Occurrence[]): Occurrence[] {
  const now = tasks.filter((task) => isTest(task) && task.inDays <= 0);
  if (now.length < 2) return [...tasks];
  const place = tasks.findIndex((task) => now.includes(task));
  const rest = tasks.filter((task) => !now.includes(task));
  const parameters = now.flatMap((task) => task.parameters);
  const oldest = now.reduce((a, b) => (a.inDays <= b.inDays ? a : b));
  return [
    ...rest.slice(0, place),
    {
      ...oldest,
      id: 'test-due',
      title: `Test ${listWords(parameters.map((id) => PARAMETERS[id].inSentence))}`,
      because: capitalise(oldest.because),
      minutes: Math.max(...now.map((task) => task.minutes)),
      parameters,
    },
    ...rest.slice(place),
  ];
}

/** "3 things today, about 8 min": what a day asks for, the same wherever it is said. */
export function todayWords(tasks: readonly Occurrence[]): string {
  const today = grouped(tasks).filter((task) => task.inDays <= 0);
  if (today.length === 0) return 'nothing today';
  const minutes = today.reduce((sum, task) => sum + task.minutes, 0);
  return `${countOf(today.length, 'thing')} today, about ${spanOfMinutes(minutes)}`;
}
