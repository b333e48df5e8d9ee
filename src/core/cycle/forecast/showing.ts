import { schoolOf } from '../schools';
import { quantileOfSorted, sortedCopy } from '../../math/quantile';
import { PARAMETERS } from '../../parameters/registry';
import { DAY_MS } from '../../time/zone';
import type { CycleProblem, Nitrogen, Observation } from '../problem/types';
import type { Ensemble } from '../inference/ensemble';
import { SURE, type Assurance } from '../verdict/assurance';
import { nowDay, runAhead, type Ahead } from './ahead';
import type { Candidate, Usable } from './learning';

/** Chance of being clear from which a test is asked for as proof. */
const LIKELY_CLEAR = 0.8;
/** Days after a test that was no zero before which it is not asked again. */
const NOT_YET_DAYS = 2;

/** When a school asks to see both at zero again, ms, and whether it has seen it; null if it does not. */
export function shownAgain({ school, facts, zone }: CycleProblem) {
  const at = schoolOf(school).shownAgainAt?.(school, facts, zone) ?? null;
  return at === null ? null : { at, seen: (facts.shownUntil ?? -Infinity) >= at };
}

/**
 * When tests have shown both at zero, the day of the run on which to show it anew: when the school
 * asks for it, and once it has seen it, when the zeros are too old to speak for the tank. Null for
 * schools that do not ask.
 */
function showAgainOn(problem: CycleProblem): number | null {
  const again = shownAgain(problem);
  if (!again) return null;
  const { facts, origin } = problem;
  const stale = (facts.shownUntil ?? origin) + PARAMETERS.nitrite.guardDays * DAY_MS;
  return ((again.seen ? stale : again.at) - origin) / DAY_MS;
}

/**
 * The earliest day on which both are likely clear, as a test of the one that clears last: a zero of
 * the other shows nothing while this one stands. Once shown, the day on which the school asks again.
 */
export function confirmation(
  problem: CycleProblem,
  ahead: Ahead,
  now: number,
  usable: readonly Usable[],
): Candidate | undefined {
  const has = (p: Nitrogen) => usable.find(({ kit }) => kit.parameter === p);
  const middle = (clears: Float64Array) => quantileOfSorted(sortedCopy(clears), 0.5);
  const last = middle(ahead.ammoniaClears) > middle(ahead.nitriteClears) ? 'ammonia' : 'nitrite';
  const other = last === 'ammonia' ? 'nitrite' : 'ammonia';
  const parameter = has(last) ? last : other;
  const use = has(parameter);
  if (!use) return undefined;
  const clearBy = (day: number) => bothClearBy(ahead, day);
  if (problem.facts.shownSince !== null && clearBy(now) >= LIKELY_CLEAR) {
    const again = showAgainOn(problem);
    const point = Math.max(0, Math.ceil((again ?? 0) - now)) * ahead.perDay;
    return again === null || point >= ahead.points ? undefined : { parameter, use, point, gain: 0 };
  }
  // One that was no zero is not gone by the next morning.
  const soonest = pointsAfter(
    lastTest(problem, (o) => o.low > 0),
    NOT_YET_DAYS,
    now,
    ahead,
  );
  for (let point = soonest; point < ahead.points; point += ahead.perDay) {
    if (clearBy(now + point / ahead.perDay) >= LIKELY_CLEAR) {
      return { parameter, use, point, gain: 0 };
    }
  }
  return undefined;
}

/** Day of the run of the last test of ammonia or nitrite that is such; −∞ without one. */
export function lastTest(
  { observations, stepsPerDay }: CycleProblem,
  such: (o: Observation) => boolean,
): number {
  const tests = observations.filter((o) => o.parameter !== 'nitrate' && such(o));
  return Math.max(-Infinity, ...tests.map((o) => o.index / stepsPerDay));
}

/** The first whole day ahead, as a point, that lies so many days after a day of the run. */
export function pointsAfter(day: number, gap: number, now: number, ahead: Ahead): number {
  return Math.max(0, Math.ceil(day + gap - now - 0.2)) * ahead.perDay;
}

/** Share of the members in which both are clear for good by a day of the run. */
export function chanceClear(ahead: Ahead, parameter: 'ammonia' | 'nitrite', day: number): number {
  const clears = parameter === 'ammonia' ? ahead.ammoniaClears : ahead.nitriteClears;
  let count = 0;
  for (const at of clears) if (at <= day) count += 1;
  return count / clears.length;
}

/** Chance by which both are clear for good on a day of the run: of the side that lags. */
function bothClearBy(ahead: Ahead, day: number): number {
  return Math.min(chanceClear(ahead, 'ammonia', day), chanceClear(ahead, 'nitrite', day));
}

/** Nitrite that no reader takes for a misread zero, mg N/L: twice what one reading of it must show. */
const PLAINLY_THERE = 0.3;
/** Chance of it from which a test is asked for to have seen it. */
const LIKELY_THERE = 0.7;

/** The first day on which nitrite is likely plain to see, where no test has shown it yet. */
export function showing(
  { facts }: CycleProblem,
  ahead: Ahead,
  usable: readonly Usable[],
): Candidate | undefined {
  const use = usable.find(({ kit }) => kit.parameter === 'nitrite');
  if (facts.nitriteShown || !use) return undefined;
  const tanks = ahead.nitriteClears.length;
  for (let point = 0; point < ahead.points; point += ahead.perDay) {
    let count = 0;
    for (let row = 0; row < tanks; row += 1) {
      count += Number((ahead.nitrite[row * ahead.points + point] as number) >= PLAINLY_THERE);
    }
    if (count / tanks >= LIKELY_THERE) return { parameter: 'nitrite', use, point, gain: 0 };
  }
  return undefined;
}

/** What the forecast would still withhold from a verdict, if tests show all they can: see `agreement`. */
export type Withheld = 'stays' | 'dose' | null;

/** What would still be withheld of a tank whose tests show both at zero. */
export function withheldBy(problem: CycleProblem, assurance: Assurance): Withheld {
  const { stays, carries, carriesUntil, repeats } = assurance;
  const { facts, at } = problem;
  if (facts.shownSince === null) return null;
  const due = Math.max(at, shownAgain(problem)?.at ?? at);
  // A colony that is not fed grows no better at it: a dose is due at once, and not after the hold.
  if (carries < SURE.carries || (repeats !== null && repeats < SURE.repeats)) return 'dose';
  if (carriesUntil !== null && carriesUntil < due) return 'dose';
  return stays < SURE.stays && due === at ? 'stays' : null;
}

/** Days ahead within which a dose is looked for gone. */
const DOSED_DAYS = 30;

/** The same tanks with the dose of a challenge put in now, its alkalinity held up. */
function dosedAhead(ensemble: Ensemble): Ahead {
  const { challengeDose } = ensemble.problem.facts;
  return runAhead(ensemble, {
    days: DOSED_DAYS,
    events: ({ strength, now }) => [
      { step: 0, ammonia: challengeDose * strength, alkalinityIs: Math.max(8, now.alkalinity) },
    ],
  });
}

/** When the test after a dose is worth it, as a point: when it is likely gone, or by its school's clock. */
function testAfterDose(ensemble: Ensemble, ahead: Ahead): number {
  const { facts, school } = ensemble.problem;
  if (school.school === 'challenge') return Math.ceil((school.windowHours / 24) * ahead.perDay);
  // Nitrite that was never caught is there a day later.
  if (!facts.nitriteShown) return ahead.perDay;
  const dosed = dosedAhead(ensemble);
  const now = nowDay(ensemble.problem);
  for (let point = ahead.perDay; point < dosed.points; point += ahead.perDay) {
    if (bothClearBy(dosed, now + point / ahead.perDay) >= LIKELY_CLEAR) return point;
  }
  return dosed.points - 1;
}

/**
 * Where both were shown at zero and yet it is not enough, because nitrite was never caught or the
 * forecast does not agree: a dose, and both tested after it. With an animal in, no dose: tests.
 */
export function proving(
  ensemble: Ensemble,
  withheld: Withheld,
  ahead: Ahead,
  usable: readonly Usable[],
): (Candidate & { purpose: 'challenge' | 'confirm' }) | undefined {
  const use = usable.find(({ kit }) => kit.parameter === 'nitrite') ?? usable[0];
  const { facts, animals } = ensemble.problem;
  if (facts.shownSince === null || !use || use.kit.parameter === 'nitrate') return undefined;
  if (facts.nitriteShown && withheld === null) return undefined;
  const purpose = animals || (facts.nitriteShown && withheld === 'stays') ? 'confirm' : 'challenge';
  const point = purpose === 'challenge' ? testAfterDose(ensemble, ahead) : 2 * ahead.perDay;
  return { parameter: 'nitrite', use, point, gain: 0, purpose };
}
