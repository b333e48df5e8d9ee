import type { Logged } from '../history/tankHistory';
import type { TaskMarkEntry } from '../records/kinds/taskMark';
import { instant } from '../time/zone';
import type { Occurrence } from './types';

export type TaskStanding = 'due' | 'done' | 'skipped' | 'snoozed';

/** An occurrence, and what was said of it. */
export interface Settled {
  task: Occurrence;
  standing: TaskStanding;
  /** Of one that was put off: until when, ms. */
  until: number | null;
}

/**
 * What was said of each occurrence, by the newest mark of its key; what was done or skipped is not put
 * off any more, whichever tab said so later. Most tasks need no mark: the entry that doing them makes
 * moves the next one on. One that was put off is due again when its time comes.
 * @param marks in order of time
 * @param now ms
 */
export function settle(
  occurrences: readonly Occurrence[],
  marks: readonly Logged<TaskMarkEntry>[],
  now: number,
): Settled[] {
  const said = new Map<string, TaskMarkEntry>();
  for (const { entry } of marks) {
    const before = said.get(entry.task);
    if (!before || before.how === 'snoozed' || entry.how !== 'snoozed') said.set(entry.task, entry);
  }
  return occurrences.map((task) => {
    const mark = said.get(task.key);
    if (!mark) return { task, standing: 'due', until: null };
    if (mark.how !== 'snoozed') return { task, standing: mark.how, until: null };
    const until = mark.until === undefined ? now : instant(mark.until);
    return until > now
      ? { task, standing: 'snoozed', until }
      : { task, standing: 'due', until: null };
  });
}
