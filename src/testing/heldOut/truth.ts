import { FIRST_LOAD, SAFE, STAYS_DAYS } from '@/core/cycle/verdict/safe';
import { SLACK_HOURS } from '@/core/cycle/verdict/criteria/challenge';
import { runReef, type TrueEvent } from './reef';
import type { UntidyLife } from './untidy';

/** How a tank that was called ready was not. */
export type Falsehood = 'stands' | 'notCarried' | 'notRepeated';

/** A dose is cleared once both are under this, mg N/L: what a card reads as zero. */
const CLEARED = 0.1;
/** The dose of a challenge: 2 ppm as the mildest basis counts it, mg N/L. */
const CHALLENGE = 1.55;

type Lived = Pick<UntidyLife, 'reef' | 'doneRule' | 'doses' | 'events'>;

/** The highest that ammonia or nitrite truly comes to over some days from a day on, mg N/L. */
function peakFrom(life: Lived, day: number, more: TrueEvent[], days: number): number {
  const doses = life.doses.filter((dose) => dose.day <= day);
  const events = life.events.filter((event) => event.day <= day);
  const course = runReef(life.reef, doses, [...events, ...more]);
  let highest = 0;
  for (let hour = Math.round(day * 24); hour <= (day + days) * 24; hour += 1) {
    highest = Math.max(highest, course.ammonia[hour] ?? 0, course.nitrite[hour] ?? 0);
  }
  return highest;
}

/** What it comes to under so many first fish that are added that day, mg N/L; over SAFE they are not carried. */
export function peakUnderFish(life: Lived, day: number, fish: number): number {
  const { nitrogen, days } = FIRST_LOAD;
  return peakFrom(life, day, [{ day, what: 'load', nitrogen: fish * nitrogen, days }], days);
}

/**
 * What is false about calling a tank ready on a day, by its true course: nothing that the keeper did
 * later is in it. Null where it is true.
 * @param fish first fish of usual size that it was called ready for
 */
export function falsehoodOf(life: Lived, day: number, fish = 1): Falsehood | null {
  const { reef, doneRule } = life;
  if (peakFrom(life, day, [], STAYS_DAYS) > SAFE) return 'stands';
  if (doneRule.rule === 'challenge') {
    const doses = life.doses.filter((dose) => dose.day <= day);
    const events = life.events.filter((event) => event.day <= day);
    const again = [...doses, { day: day + 1 / 24, believed: CHALLENGE }];
    const course = runReef(reef, again, events);
    const hour = Math.round((day + 1 / 24) * 24 + doneRule.windowHours + SLACK_HOURS);
    const left = Math.max(course.ammonia[hour] ?? 0, course.nitrite[hour] ?? 0);
    if (left > CLEARED) return 'notRepeated';
  }
  return peakUnderFish(life, day, fish) > SAFE ? 'notCarried' : null;
}
