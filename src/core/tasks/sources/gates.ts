import type { Verdict } from '../../cycle/verdict/types';
import { startOfDayIn } from '../../time/zone';
import type { Occurrence, TaskSource } from '../types';

/** Days that what stands before the first fish may wait, so that it is listed and not pressing. */
const MAY_WAIT = 6;

function open(verdict: Verdict, id: 'lid' | 'heater'): boolean {
  return verdict.criteria.some((c) => c.id === id && c.state !== 'met');
}

/** A lid and a verified heater, until the verdict has them. */
export const gates: TaskSource = {
  occurrences: ({ history, verdict }, from) => {
    const base = {
      dueOn: startOfDayIn(from, history.tank.zone),
      inDays: MAY_WAIT,
      parameters: [],
    };
    const tasks: Occurrence[] = [];
    const inNow = history.standing.fishSince !== null;
    if (open(verdict, 'lid')) {
      tasks.push({
        ...base,
        id: 'lid',
        key: 'lid',
        title: 'Fit a lid or mesh',
        because: inNow
          ? 'There are fish in: any of them may jump'
          : 'Before the first fish: every new fish jumps when stressed',
        minutes: 15,
        opens: { form: 'lid' },
      });
    }
    if (open(verdict, 'heater')) {
      tasks.push({
        ...base,
        id: 'heater',
        key: 'heater',
        title: 'Check the heater against a thermometer',
        because: inNow
          ? 'There are fish in: the dial may lie by degrees'
          : 'Before the first fish: the dial may lie by degrees',
        minutes: 5,
        opens: { form: 'heaterCheck' },
      });
    }
    return tasks;
  },
};
