import { doneRuleOf } from '../../doneRules';
import { quantileOfSorted, sortedCopy } from '../../../math/quantile';
import { PARAMETERS } from '../../../parameters/registry';
import { DAY_MS } from '../../../time/zone';
import { testsOf } from '../../problem/observations';
import type { CycleProblem, Nitrogen, Observation } from '../../problem/types';
import type { Ensemble } from '../../inference/ensemble';
import { nowDay, type Ahead } from '../course/ahead';
import type { Candidate, Usable } from '../nextTest/learning';
import { bothClearBy, LIKELY_CLEAR, proofPoint } from './zeros';

/** Days after a test that was no zero before which it is not asked again. */
const NOT_YET_DAYS = 2;

/** When a rule for done asks to see both at zero again, ms, and whether it has seen it; null if it does not. */
export function shownAgain({
  doneRule,
  facts,
  zone,
}: Pick<CycleProblem, 'doneRule' | 'facts' | 'zone'>) {
  const at = doneRuleOf(doneRule).shownAgainAt?.(doneRule, facts, zone) ?? null;
  return at === null ? null : { at, seen: (facts.shownUntil ?? -Infinity) >= at };
}

/**
 * When tests have shown both at zero, the day of the run on which to show it anew: when the rule for done
 * asks for it, and once it has seen it, when the zeros are too old to speak for the tank. Null for
 * rules for done that do not ask.
 */
function showAgainOn(problem: CycleProblem): number | null {
  const again = shownAgain(problem);
  if (!again) return null;
  const { facts, origin } = problem;
  const stale = (facts.shownUntil ?? origin) + PARAMETERS.nitrite.guardDays * DAY_MS;
  return ((again.seen ? stale : again.at) - origin) / DAY_MS;
}

/** The one of the two that clears last, as a rule. */
export function lagging(ahead: Ahead): 'ammonia' | 'nitrite' {
  const middle = (clears: Float64Array) => quantileOfSorted(sortedCopy(clears), 0.5);
  return middle(ahead.ammoniaClears) > middle(ahead.nitriteClears) ? 'ammonia' : 'nitrite';
}

/**
 * The earliest day on which both likely read zero, as a test of the one that clears last: a zero of
 * the other shows nothing while this one stands. Once shown, the day on which the rule for done asks again.
 */
export function confirmation(
  ensemble: Ensemble,
  ahead: Ahead,
  usable: readonly Usable[],
): Candidate | undefined {
  const { problem } = ensemble;
  const now = nowDay(problem);
  const has = (p: Nitrogen) => usable.find(({ kit }) => kit.parameter === p);
  const last = lagging(ahead);
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
export function lastTest(problem: CycleProblem, such: (o: Observation) => boolean): number {
  const tests = testsOf(problem).filter((o) => o.parameter !== 'nitrate' && such(o));
  return Math.max(-Infinity, ...tests.map((o) => o.index / problem.stepsPerDay));
}

/** The first whole day ahead, as a point, that lies so many days after a day of the run. */
export function pointsAfter(day: number, gap: number, now: number, ahead: Ahead): number {
  return Math.max(0, Math.ceil(day + gap - now - 0.2)) * ahead.perDay;
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
