import type { TankHistory } from '../history/tankHistory';
import type { TaskMarkEntry } from '../records/kinds/taskMark';
import { addDaysIn, isoInZone, startOfDayIn } from '../time/zone';
import type { ActWriter } from './writer';

/** What is said of one time of a task. */
export type Said =
  | { how: 'done' }
  | { how: 'skipped'; reason: string }
  /** Days that it is put off for. */
  | { how: 'snoozed'; days: number };

/** A task that something is said of. */
export interface Markable {
  key: string;
  title: string;
}

/** Whether that was said of a time of a task already. It is put off as often as one likes. */
export function isSaid(
  { entries }: Pick<TankHistory, 'entries'>,
  task: Markable,
  said: Said,
): boolean {
  return (
    said.how !== 'snoozed' &&
    entries.taskMark.some(({ entry }) => entry.task === task.key && entry.how === said.how)
  );
}

/**
 * Says of one time of a task that it is done, left out or put off. A time is done or left out once: what was
 * said already is not written again.
 */
export function writeMark(
  act: ActWriter,
  { tankId, tank, entries }: Pick<TankHistory, 'tankId' | 'tank' | 'entries'>,
  task: Markable,
  said: Said,
): void {
  if (isSaid({ entries }, task, said)) return;
  act.create('entry', {
    kind: 'taskMark',
    tankId,
    at: isoInZone(act.now, tank.zone),
    task: task.key,
    title: task.title,
    how: said.how,
    ...more(said, act.now, tank.zone),
  });
}

function more(said: Said, now: number, zone: string): Partial<TaskMarkEntry> {
  if (said.how === 'snoozed') {
    return { until: isoInZone(addDaysIn(startOfDayIn(now, zone), said.days, zone), zone) };
  }
  const reason = said.how === 'skipped' ? said.reason.trim() : '';
  return reason === '' ? {} : { reason };
}
