import type { Occurrence } from '../../tasks/types';
import { atTimeOn, dayOf } from '../../time/zone';
import { spanOfMinutes } from '../../units/duration';
import { countOf, listWords } from '../../units/format';

/** Tasks that a reminder names. */
const NAMED = 3;

/**
 * What a browser reminds of at its keeper's hour: how much is due today, and what of it comes first.
 * @param now ms
 * @param hour of the day, 0 to 23, in the zone
 * @returns null before that hour, and where nothing is due
 */
export function reminderOf(
  tanks: readonly { tasks: readonly Occurrence[] }[],
  now: number,
  zone: string,
  hour: number,
): { title: string; text: string } | null {
  if (now < atTimeOn(dayOf(now, zone), hour, 0, zone)) return null;
  const due = tanks.flatMap(({ tasks }) => tasks.filter(({ inDays }) => inDays <= 0));
  if (due.length === 0) return null;
  const minutes = due.reduce((sum, task) => sum + task.minutes, 0);
  const named = due.slice(0, NAMED).map(({ title }) => title);
  const rest = due.length - named.length;
  return {
    title: `${countOf(due.length, 'thing')} due, about ${spanOfMinutes(minutes)}`,
    text: listWords(rest > 0 ? [...named, countOf(rest, 'more', 'more')] : named),
  };
}
