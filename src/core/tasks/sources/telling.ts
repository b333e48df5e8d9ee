import { startOfDayIn, DAY_MS } from '../../time/zone';
import { TELL_WORDS, usualEffect } from '../../water/effect';
import type { Occurrence, TaskSource } from '../types';

/** Days that what would only sharpen a sum may wait. */
const MAY_WAIT = 1;

/** What a keeper knows of a tank and has not told yet: tests on paper, who lives in it, and what else is in it. */
export const telling: TaskSource = {
  occurrences: ({ history }, from) => {
    const { tank, standing, start, entries } = history;
    const tasks: Occurrence[] = [];
    const base = { dueOn: startOfDayIn(from, tank.zone), parameters: [] };
    const begun = start !== null && from - start > DAY_MS;
    if (begun && entries.reading.length === 0 && standing.runningSince === null) {
      tasks.push({
        ...base,
        id: 'paper',
        key: 'paper',
        title: 'Enter the tests you have on paper',
        because: 'Row by row with their days: the forecast begins with them',
        inDays: 0,
        minutes: 3,
        opens: { form: 'paper' },
      });
    }
    // A quarantine tank stands empty between two batches.
    const display = tank.kind === 'display';
    if (display && standing.runningSince !== null && entries.animals.length === 0) {
      tasks.push({
        ...base,
        id: 'who',
        key: 'who',
        title: 'Log who lives here',
        because: 'Food, the plan and the shop question go by who is in it',
        inDays: 0,
        minutes: 5,
        opens: { form: 'animals' },
      });
    }
    const notEntered = tank.notEntered ?? [];
    const part = notEntered.find((one) => usualEffect(one, tank.volume) !== null);
    if (part !== undefined) {
      tasks.push({
        ...base,
        id: 'tell',
        key: `tell/${part}`,
        title: TELL_WORDS[part],
        because: usualEffect(part, tank.volume) ?? '',
        inDays: MAY_WAIT,
        minutes: 2,
        opens: { tank: part },
      });
    }
    return tasks;
  },
};
