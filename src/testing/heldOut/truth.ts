import { FIRST_LOAD, SAFE, STAYS_DAYS } from '@/core/cycle/verdict/assurance';
import { SLACK_HOURS } from '@/core/cycle/verdict/criteria/challenge';
import { runReef, type TrueEvent } from './reef';
import type { UntidyLife } from './untidy';

/** How a tank that was called ready was not. */
export type Falsehood = 'stands' | 'notCarried' | 'notRepeated';

/** A dose is cleared once both are under this, mg N/L: what a card reads as zero. */
const CLEARED = 0.1;
/** The dose of a challenge: 2 ppm as the mildest basis counts it, mg N/L. */
const CHALLENGE = 1.55;

/**
 * What is false about calling a tank ready on a day, by its true course: nothing that the keeper did
 * later is in it. Null where it is true.
 * @param fish first fish of usual size that it was called ready for
 */
export function falsehoodOf(
  life: Pick<UntidyLife, 'reef' | 'doneRule' | 'doses' | 'events'>,
  day: number,
  fish = 1,
): Falsehood | null {
  const { reef, doneRule } = life;
  const doses = life.doses.filter((dose) => dose.day <= day);
  const events = life.events.filter((event) => event.day <= day);
  const peak = (more: TrueEvent[], days: number) => {
    const course = runReef(reef, doses, [...events, ...more]);
    let highest = 0;
    for (let hour = Math.round(day * 24); hour <= (day + days) * 24; hour += 1) {
      highest = Math.max(highest, course.ammonia[hour] ?? 0, course.nitrite[hour] ?? 0);
    }
    return highest;
  };
  if (peak([], STAYS_DAYS) > SAFE) return 'stands';
  if (doneRule.rule === 'challenge') {
    const again = [...doses, { day: day + 1 / 24, believed: CHALLENGE }];
    const course = runReef(reef, again, events);
    const hour = Math.round((day + 1 / 24) * 24 + doneRule.windowHours + SLACK_HOURS);
    const left = Math.max(course.ammonia[hour] ?? 0, course.nitrite[hour] ?? 0);
    if (left > CLEARED) return 'notRepeated';
  }
  const { nitrogen, days } = FIRST_LOAD;
  return peak([{ day, what: 'load', nitrogen: fish * nitrogen, days }], days) > SAFE
    ? 'notCarried'
    : null;
}
