import { startOfDayIn } from '../../time/zone';
import type { Occurrence, TaskSource } from '../types';

/** An empty tank is built, then water is made for it, then it is filled. */
export const building: TaskSource = {
  occurrences: ({ history }, from) => {
    const { tank, standing } = history;
    if (standing.filledAt !== null || history.start !== null) return [];
    const base = { dueOn: startOfDayIn(from, tank.zone), parameters: [] };
    const tasks: Occurrence[] = [
      {
        ...base,
        id: 'build',
        key: 'build',
        title: 'Build it',
        because: 'Stand, leak test, rock, equipment, valves: step by step, in your order',
        inDays: 0,
        minutes: 60,
        opens: { run: 'build' },
      },
      {
        ...base,
        id: 'mix',
        key: 'mix',
        title: 'Make the water',
        because: 'Purified or bought, salted, mixed for an hour and measured twice',
        inDays: 2,
        minutes: 30,
        opens: { run: 'mix' },
      },
      {
        ...base,
        id: 'fill',
        key: 'fill',
        title: 'Fill it',
        because: 'Counted as it goes in: every dose is sized by it',
        inDays: 3,
        minutes: 60,
        opens: { run: 'fill' },
      },
    ];
    return tasks;
  },
};
