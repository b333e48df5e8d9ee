import type { Verdict } from '../cycle/verdict/types';
import type { DueTask } from './types';

/** Days that what stands before the first fish may wait, so that it is listed and not pressing. */
const MAY_WAIT = 6;

/** A lid and a verified heater, until the verdict has them. */
export function gateTasks(verdict: Verdict, today: number): DueTask[] {
  const open = (id: 'lid' | 'heater') =>
    verdict.criteria.some((c) => c.id === id && c.state !== 'met');
  const base = { dueOn: today, inDays: MAY_WAIT, parameters: [] };
  const tasks: DueTask[] = [];
  if (open('lid')) {
    tasks.push({
      ...base,
      id: 'lid',
      kind: 'fitLid',
      title: 'Fit a lid or mesh',
      because: 'Before the first fish: every new fish jumps when stressed',
      minutes: 15,
    });
  }
  if (open('heater')) {
    tasks.push({
      ...base,
      id: 'heater',
      kind: 'verifyHeater',
      title: 'Hold the heater against a thermometer',
      because: 'Before the first fish: the dial may lie by degrees',
      minutes: 5,
    });
  }
  return tasks;
}
