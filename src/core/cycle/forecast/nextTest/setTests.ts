import { PARAMETERS } from '../../../parameters/registry';
import { DAY_MS } from '../../../time/zone';
import type { CycleProblem } from '../../problem/types';
import { doneRuleOf } from '../../doneRules';
import { PROOF_LIKELY } from '../../verdict/proof';
import { nowDay } from '../course/ahead';
import { lastTest } from '../dates/showing';
import type { NextTest } from '../types';

/**
 * Tests that stand, whatever would be learned by another: with an animal in, after a dose, on old zeros,
 * after a silence.
 */
function setTest(
  problem: CycleProblem,
  inDays: number,
  because: string,
  rest: Partial<NextTest> = {},
): NextTest {
  return {
    parameter: 'nitrite',
    parameters: ['ammonia', 'nitrite'],
    at: problem.at + inDays * DAY_MS,
    inDays,
    because,
    gain: 0,
    dose: 0,
    purpose: 'confirm',
    outcomes: [],
    idle: [],
    ...rest,
  };
}

/** Days until a day after a test of either, or of ammonia alone; 0 where that is gone by. */
function dayAfter(problem: CycleProblem, ammoniaAlone = false): number {
  const tested = lastTest(problem, ({ parameter }) => !ammoniaAlone || parameter === 'ammonia');
  return Math.max(0, tested + 1 - nowDay(problem));
}

/** The test of a dose: at its hour while it is under way, and a day after one that showed it not yet gone. */
export function testOfDose(problem: CycleProblem, proves: number): NextTest | null {
  const { facts, at } = problem;
  if (facts.testAt !== null && (proves >= PROOF_LIKELY || facts.nitriteShown)) {
    return setTest(
      problem,
      Math.max(0, (facts.testAt - at) / DAY_MS),
      `A dose is in. Test both about ${facts.proof.hours} h after it: both at zero is all that is left to show. A later test still says what is left, but not that ${facts.proof.hours} h were enough.`,
    );
  }
  if (!facts.failed) return null;
  return setTest(
    problem,
    dayAfter(problem),
    'The last dose was not all gone in its hours. No dose on top of it: a test a day later shows how long it takes.',
  );
}

/** Days that both have to be seen at zero, running, before an animal is not watched by daily tests any more. */
const WATCH_DAYS = 3;

/** Whether an animal is in water that tests have not shown to stay clear. */
export function isWatched({ animals, facts, at }: CycleProblem): boolean {
  return animals && (facts.shownSince === null || at - facts.shownSince < WATCH_DAYS * DAY_MS);
}

/** With an animal in, free ammonia is what counts: tested each day, whatever would be learned by it. */
export function dailyAmmonia(problem: CycleProblem): NextTest {
  return setTest(
    problem,
    dayAfter(problem, true),
    'An animal is in while the cycle runs: ammonia and nitrite are tested every day. Where free ammonia rises, change water the same day; from 0.1 mg/L of it, or at any gasping, go to Emergency.',
    { parameter: 'ammonia', purpose: 'learn' },
  );
}

/** Whether zeros that were shown are too old to speak for now. */
export function areStale({ facts, at }: CycleProblem): boolean {
  return facts.shownUntil !== null && at - facts.shownUntil > PARAMETERS.nitrite.guardDays * DAY_MS;
}

/** Nothing is dosed on zeros that are days old: both are tested first. */
export function testBeforeDose(problem: CycleProblem): NextTest {
  return setTest(
    problem,
    0,
    'The zeros are too old to speak for the tank: test both before anything is dosed.',
  );
}

/** Tests of both, so near to now, speak for the water as it is, days. */
const FRESH_DAYS = 2;

/**
 * Where both were just read at zero after a long silence, zeros say nothing of filter bacteria that were not fed:
 * a dose does, with both tested at its hour. Null where they were not.
 */
function doseAfterSilence(problem: CycleProblem): NextTest | null {
  const { facts, animals, at } = problem;
  if (animals || facts.noDose !== null) return null;
  if (facts.shownUntil === null || at - facts.shownUntil > FRESH_DAYS * DAY_MS) return null;
  const { rise, words, hours } = facts.proof;
  return setTest(
    problem,
    hours / 24,
    `Both read zero, but nothing was there to clear for a long time. Dose ${words} of ammonia now and test both ${hours} h later: it shows what is left of the filter bacteria.`,
    { dose: rise, purpose: 'challenge' },
  );
}

/** The test of a tank of which nothing recent is known, not even whether there is ammonia in it. */
export function testAfterSilence(problem: CycleProblem): NextTest {
  const dosed = doseAfterSilence(problem);
  if (dosed) return dosed;
  if (problem.animals) return dailyAmmonia(problem);
  return setTest(
    problem,
    0,
    'Nothing recent says what is in the water. One reading begins the forecast anew.',
    { parameter: 'ammonia', parameters: ['ammonia'], purpose: 'learn' },
  );
}

/** A test that is to show a zero waits until a binder has let go: before that none counts. */
export function afterBinder(next: NextTest, { facts, at }: CycleProblem): NextTest {
  const until = facts.boundUntil;
  if (next.purpose !== 'confirm' || until === null || until <= next.at) return next;
  return {
    ...next,
    at: until,
    inDays: (until - at) / DAY_MS,
    because:
      'A binder may hold ammonia until then, and no zero counts before. Each further dose of it puts the test off.',
    outcomes: [],
  };
}

/** A test that is to show something, with what the rule for done has tested in the same test session. */
export function withDoneRulesOwn(next: NextTest, { doneRule, facts }: CycleProblem): NextTest {
  if (next.purpose !== 'confirm' && next.purpose !== 'challenge') return next;
  const own = doneRuleOf(doneRule).testsToo?.(facts, next.at);
  if (!own) return next;
  return {
    ...next,
    parameters: [...next.parameters, own.parameter],
    because: `${next.because} ${own.because}`,
  };
}
