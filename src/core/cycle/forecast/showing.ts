import { schoolOf } from '../schools';
import { quantileOfSorted, sortedCopy } from '../../math/quantile';
import { PARAMETERS } from '../../parameters/registry';
import { DAY_MS } from '../../time/zone';
import type { CycleProblem, Nitrogen, Observation } from '../problem/types';
import type { Ensemble, Member } from '../inference/ensemble';
import type { CycleEvent } from '../kinetics/events';
import { SAFE, SURE, type Assurance } from '../verdict/assurance';
import { CLEAR, nowDay, runAhead, type Ahead } from './ahead';
import { carriesAfter } from './assurance';
import { cellChances, type Candidate, type Usable } from './learning';

/** Chance of being clear from which a test is asked for as proof. */
const LIKELY_CLEAR = 0.8;
/** Chance that the kits at hand show both at zero then: what is clear may still colour a card. */
const LIKELY_ZERO = 0.7;
/** Days after a test that was no zero before which it is not asked again. */
const NOT_YET_DAYS = 2;

/** When a school asks to see both at zero again, ms, and whether it has seen it; null if it does not. */
export function shownAgain({
  school,
  facts,
  zone,
}: Pick<CycleProblem, 'school' | 'facts' | 'zone'>) {
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

/** Chance that a test of both at a point reads zero with the kits at hand. */
function bothReadZero(
  ensemble: Ensemble,
  ahead: Ahead,
  usable: readonly Usable[],
  point: number,
): number {
  const zero = new Float64Array(ensemble.members.length).fill(1);
  for (const use of usable) {
    // A meter has no lowest step: what it shows of a clear tank passes for zero.
    if (use.kit.parameter === 'nitrate' || !use.kit.card) continue;
    const [lowest] = cellChances(ensemble, ahead, use, point).chances;
    lowest?.forEach((chance, row) => {
      zero[row] = (zero[row] as number) * chance;
    });
  }
  return zero.reduce((a, b) => a + b, 0) / zero.length;
}

/** The first point, from one on, at which both are likely clear and likely read as zero. */
function likelyZeroFrom(
  first: number,
  ensemble: Ensemble,
  ahead: Ahead,
  usable: readonly Usable[],
): number | undefined {
  const now = nowDay(ensemble.problem);
  for (let point = first; point < ahead.points; point += ahead.perDay) {
    if (bothClearBy(ahead, now + point / ahead.perDay) < LIKELY_CLEAR) continue;
    if (bothReadZero(ensemble, ahead, usable, point) >= LIKELY_ZERO) return point;
  }
  return undefined;
}

/** Share of the tanks that has next to nothing left in the water at a point. */
function nearlyClear(ahead: Ahead, point: number): number {
  const tanks = ahead.nitriteClears.length;
  let count = 0;
  for (let row = 0; row < tanks; row += 1) {
    const at = row * ahead.points + point;
    const [ammonia, nitrite] = [ahead.ammonia[at] as number, ahead.nitrite[at] as number];
    count += Number(ammonia < CLEAR && nitrite <= SAFE);
  }
  return count / tanks;
}

/** Below this chance that a colony carries a load by the time of a test it is fed before that. */
const STARVES = 0.5;
/** Days for which it is asked where zeros are not in sight. */
const NO_ZERO_DAYS = 14;

/** Whether the colony would be too weak for a load by the point of zeros, so that it had to be fed again. */
function starvesBy(
  zero: number | undefined,
  ensemble: Ensemble,
  ahead: Ahead,
  events?: (member: Member) => CycleEvent[],
): boolean {
  const days = zero === undefined ? NO_ZERO_DAYS : zero / ahead.perDay;
  return carriesAfter(ensemble, days, events) < STARVES;
}

/**
 * The point for a test that is to show both at zero, from the one on that is wanted. A colony that would
 * starve until then is looked at sooner, while next to nothing is left, so that it can be fed in time.
 * @param soonest the first point at which a test is worth it
 * @param events what is put in now, with which `ahead` was run
 */
function proofPoint(
  { soonest, wanted = soonest }: { soonest: number; wanted?: number },
  ensemble: Ensemble,
  ahead: Ahead,
  usable: readonly Usable[],
  events?: (member: Member) => CycleEvent[],
): number | undefined {
  const { facts, animals } = ensemble.problem;
  const zero = likelyZeroFrom(wanted, ensemble, ahead, usable);
  if (animals || !facts.nitriteShown || !starvesBy(zero, ensemble, ahead, events)) return zero;
  for (let point = soonest; point < (zero ?? ahead.points); point += ahead.perDay) {
    if (nearlyClear(ahead, point) >= LIKELY_CLEAR) return point;
  }
  return zero;
}

/**
 * The earliest day on which both likely read zero, as a test of the one that clears last: a zero of
 * the other shows nothing while this one stands. Once shown, the day on which the school asks again.
 */
export function confirmation(
  ensemble: Ensemble,
  ahead: Ahead,
  usable: readonly Usable[],
): Candidate | undefined {
  const { problem } = ensemble;
  const now = nowDay(problem);
  const has = (p: Nitrogen) => usable.find(({ kit }) => kit.parameter === p);
  const middle = (clears: Float64Array) => quantileOfSorted(sortedCopy(clears), 0.5);
  const last = middle(ahead.ammoniaClears) > middle(ahead.nitriteClears) ? 'ammonia' : 'nitrite';
  const other = last === 'ammonia' ? 'nitrite' : 'ammonia';
  const parameter = has(last) ? last : other;
  const use = has(parameter);
  if (!use) return undefined;
  if (problem.facts.shownSince !== null && bothClearBy(ahead, now) >= LIKELY_CLEAR) {
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
  const point = proofPoint({ soonest }, ensemble, ahead, usable);
  return point === undefined ? undefined : { parameter, use, point, gain: 0 };
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

/** The dose of a challenge put into a tank now, its alkalinity held up. */
function doseOf({ facts }: CycleProblem) {
  return ({ strength, now }: Member): CycleEvent[] => [
    {
      step: 0,
      ammonia: facts.challengeDose * strength,
      alkalinityIs: Math.max(8, now.alkalinity),
    },
  ];
}

/** When the test after a dose is worth it, as a point: when it is likely gone, or by its school's clock. */
function testAfterDose(ensemble: Ensemble, ahead: Ahead, usable: readonly Usable[]): number {
  const { problem } = ensemble;
  const { facts, school } = problem;
  if (school.school === 'challenge') return Math.ceil((school.windowHours / 24) * ahead.perDay);
  // Nitrite that was never caught is there a day later.
  if (!facts.nitriteShown) return ahead.perDay;
  const events = doseOf(problem);
  const dosed = runAhead(ensemble, { days: DOSED_DAYS, events });
  const soonest = dosed.perDay;
  // Nothing is asked of it before the hold is over, and nitrite read too soon would begin that anew.
  const left = Math.ceil(((shownAgain(problem)?.at ?? 0) - problem.at) / DAY_MS);
  const wanted = left > DOSED_DAYS / 2 ? soonest : Math.max(soonest, left * dosed.perDay);
  return proofPoint({ soonest, wanted }, ensemble, dosed, usable, events) ?? dosed.points - 1;
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
  const point = purpose === 'challenge' ? testAfterDose(ensemble, ahead, usable) : 2 * ahead.perDay;
  return { parameter: 'nitrite', use, point, gain: 0, purpose };
}

/**
 * A dose before both read zero, where a weak colony would lose so much while the last of the nitrite
 * is waited for that the zeros would only be followed by a dose, of a smaller colony. Never with an
 * animal in, nor where a test is due now.
 * @param confirm the test that would show both at zero
 */
export function feeding(
  ensemble: Ensemble,
  ahead: Ahead,
  confirm: Candidate | undefined,
  usable: readonly Usable[],
): (Candidate & { purpose: 'challenge' }) | undefined {
  const { facts, animals } = ensemble.problem;
  const use = confirm?.use ?? usable.find(({ kit }) => kit.parameter === 'nitrite');
  if (!use || confirm?.point === 0 || animals) return undefined;
  if (facts.shownSince !== null || !facts.nitriteShown) return undefined;
  if (nearlyClear(ahead, 0) < LIKELY_CLEAR) return undefined;
  const zero = likelyZeroFrom(ahead.perDay, ensemble, ahead, usable);
  if (!starvesBy(zero, ensemble, ahead)) return undefined;
  const point = testAfterDose(ensemble, ahead, usable);
  return { parameter: 'nitrite', use, point, gain: 0, purpose: 'challenge' };
}
