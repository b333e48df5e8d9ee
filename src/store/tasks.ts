import type { TaskMarkEntry } from '../core/records/kinds/taskMark';
import { addDaysIn, isoInZone, startOfDayIn } from '../core/time/zone';
import { recordAct } from './record';
import type { AppThunk } from './state';
import { selectHistoryOf } from './world';

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

/** Says of one time of a task that it is done, left out or put off: an entry of its tank, which can be undone. */
export function markTask(
  task: Markable,
  tank: { id: string; zone: string },
  said: Said,
  words: string,
): AppThunk<Promise<void>> {
  return async (dispatch, getState, { services }) => {
    const { zone } = tank;
    // A time of a task is done or left out once: a second tap on its row says nothing new.
    const marks = selectHistoryOf(getState(), tank.id)?.entries.taskMark ?? [];
    const settled = marks.some(({ entry }) => entry.task === task.key && entry.how === said.how);
    if (settled && said.how !== 'snoozed') return;
    const more: Partial<TaskMarkEntry> =
      said.how === 'snoozed'
        ? {
            until: isoInZone(addDaysIn(startOfDayIn(services.now(), zone), said.days, zone), zone),
          }
        : said.how === 'skipped' && said.reason.trim() !== ''
          ? { reason: said.reason.trim() }
          : {};
    await dispatch(
      recordAct(
        (act) =>
          act.create('entry', {
            kind: 'taskMark',
            tankId: tank.id,
            at: isoInZone(act.now, zone),
            task: task.key,
            title: task.title,
            how: said.how,
            ...more,
          }),
        words,
      ),
    );
  };
}
