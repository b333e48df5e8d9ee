import { dayOf, daysBetween, startOfDayIn } from '../time/zone';
import type { Occurrence } from './types';

/** An occurrence of a day of a tank, with the key that names it. */
export function occurrence(
  given: Omit<Occurrence, 'key' | 'dueOn' | 'inDays' | 'parameters'> &
    Partial<Pick<Occurrence, 'parameters' | 'key'>>,
  due: number,
  zone: string,
  now: number,
): Occurrence {
  const dueOn = startOfDayIn(due, zone);
  return {
    key: `${given.id}/${dayOf(dueOn, zone)}`,
    parameters: [],
    ...given,
    dueOn,
    inDays: daysBetween(now, dueOn, zone),
  };
}
