import { PARAMETERS } from '../../../parameters/registry';
import { DAY_MS } from '../../../time/zone';
import type { Ensemble, Member } from '../../inference/ensemble';
import type { CycleEvent } from '../../kinetics/events';
import { LITTLE_NITRITE } from '../../doseAdvice';
import { testsOf } from '../../problem/observations';
import type { CycleProblem } from '../../problem/types';
import { shortOf, type Assurance } from '../../verdict/assurance';
import { STARVED_DAYS } from '../../verdict/criteria/fed';
import { PROOF_LIKELY } from '../../verdict/proof';
import { doneRuleOf } from '../../doneRules';
import { nowDay, runAhead, type Ahead } from '../course/ahead';
import type { Candidate, Usable } from '../nextTest/learning';
import { shownAgain } from './showing';
import { LIKELY_CLEAR, likelyZeroFrom, nearlyClear, proofPoint, starvesBy } from './zeros';

/**
 * What the forecast would still withhold from a verdict, if tests show all they can: see `agreement`. A
 * `proof` is a dose that likely clears in its hours; a `dose` feeds filter bacteria that are too weak for that; no dose
 * settles a `kit` that may be dead.
 */
export type Withheld = 'kit' | 'stays' | 'dose' | 'proof' | null;

/** What would still be withheld of a tank whose tests show both at zero. */
export function withheldBy(problem: CycleProblem, assurance: Assurance): Withheld {
  const { carriesUntil, proof } = assurance;
  const { facts, at, doneRule } = problem;
  if (facts.shownSince === null) return null;
  if (assurance.doubted !== null && shortOf(assurance) !== null) return 'kit';
  const due = Math.max(at, shownAgain(problem)?.at ?? at);
  // While the days of a rule for done run, a dose feeds; what it proves is asked when they are over.
  const dose = proof >= PROOF_LIKELY && due === at ? 'proof' : 'dose';
  if (facts.provedAt === null && doneRuleOf(doneRule).provesByDose?.(facts, at)) return dose;
  // Nitrite that was never caught is there a day later, or all of the chain was shown.
  if (!facts.nitriteShown) return dose;
  // With nothing to clear for weeks the zeros speak for no bacteria any more, and no test but of a dose does.
  const lasts = due < at + STARVED_DAYS * DAY_MS;
  if (facts.starvesAt !== null && facts.starvesAt < due && lasts) return dose;
  const short = shortOf(assurance);
  // Filter bacteria that are not fed grow no better at it: a dose is due at once, and not after the span at zero.
  if (short === 'carries' || short === 'repeats') return dose;
  if (carriesUntil !== null && carriesUntil < due) return dose;
  return short === 'stays' && due === at ? 'stays' : null;
}

/** Days ahead within which a dose is looked for gone. */
const DOSED_DAYS = 30;

/** What is dosed: the size of the one test that is left, or what feeds filter bacteria too weak for it, mg N/L. */
export const doseFor = ({ facts }: CycleProblem, withheld: Withheld): number =>
  withheld === 'proof' ? facts.proof.rise : facts.challengeDose;

/** A dose put into a tank now, its alkalinity held up. */
function doseOf(rise: number) {
  return ({ strength, now }: Member): CycleEvent[] => [
    {
      step: 0,
      ammonia: rise * strength,
      alkalinityIs: Math.max(8, now.alkalinity),
    },
  ];
}

/** When the test after a dose is worth it, as a point: when it is likely gone, or by its rule's clock. */
function testAfterDose(
  ensemble: Ensemble,
  withheld: Withheld,
  ahead: Ahead,
  usable: readonly Usable[],
): number {
  const { problem } = ensemble;
  const { facts } = problem;
  // One that hardly passes in its hours is fed until it does, and not tested at them.
  if (withheld === 'proof') {
    return Math.ceil((facts.proof.hours / 24) * ahead.perDay);
  }
  // Nitrite that was never caught is there a day later.
  if (!facts.nitriteShown) return ahead.perDay;
  const events = doseOf(doseFor(problem, withheld));
  const dosed = runAhead(ensemble, { days: DOSED_DAYS, events });
  const soonest = dosed.perDay;
  // Nothing is asked of it before the span at zero is over, and nitrite read too soon would begin that anew.
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
): (Candidate & { purpose: 'challenge' | 'confirm'; withheld: Withheld }) | undefined {
  const use = usable.find(({ kit }) => kit.parameter === 'nitrite') ?? usable[0];
  const { facts, animals } = ensemble.problem;
  if (facts.shownSince === null || !use || use.kit.parameter === 'nitrate') return undefined;
  if (facts.nitriteShown && withheld === null) return undefined;
  const byTest = withheld === 'kit' || (facts.nitriteShown && withheld === 'stays');
  const purpose = animals || byTest ? 'confirm' : 'challenge';
  const point =
    purpose === 'challenge' ? testAfterDose(ensemble, withheld, ahead, usable) : 2 * ahead.perDay;
  return { parameter: 'nitrite', use, point, gain: 0, purpose, withheld };
}

/** Whether the last test of nitrite read next to none, whatever the tanks that it allows have. */
function readsLittle({ observations, kits }: CycleProblem): boolean {
  const last = observations.findLast(({ parameter }) => parameter === 'nitrite');
  const kit = last && kits[last.kit];
  return !kit || ((last.low + last.high) / 2) * last.dilution <= LITTLE_NITRITE * kit.perN;
}

/** Whether a test that still speaks for now read ammonia above zero. */
function readsAmmonia(problem: CycleProblem): boolean {
  const last = testsOf(problem).findLast(({ parameter }) => parameter === 'ammonia');
  const days = last ? nowDay(problem) - last.index / problem.stepsPerDay : Infinity;
  return last !== undefined && last.low > 0 && days <= PARAMETERS.ammonia.guardDays;
}

/**
 * A dose before both read zero, where weak filter bacteria would lose so much while the last of the nitrite
 * is waited for that the zeros would only be followed by a dose, of fewer filter bacteria. Never with an
 * animal in, nor where a test is due now.
 * @param confirm the test that would show both at zero
 */
export function feeding(
  ensemble: Ensemble,
  ahead: Ahead,
  confirm: Candidate | undefined,
  usable: readonly Usable[],
): (Candidate & { purpose: 'challenge'; withheld: Withheld }) | undefined {
  const { facts, animals } = ensemble.problem;
  const use = confirm?.use ?? usable.find(({ kit }) => kit.parameter === 'nitrite');
  // What the last dose left is tested, and never dosed on top of.
  if (!use || confirm?.point === 0 || animals || facts.failed) return undefined;
  if (facts.shownSince !== null || !facts.nitriteShown) return undefined;
  if (
    readsAmmonia(ensemble.problem) ||
    !readsLittle(ensemble.problem) ||
    nearlyClear(ahead, 0) < LIKELY_CLEAR
  )
    return undefined;
  const zero = likelyZeroFrom(ahead.perDay, ensemble, ahead, usable);
  if (!starvesBy(zero, ensemble, ahead)) return undefined;
  const point = testAfterDose(ensemble, 'dose', ahead, usable);
  return { parameter: 'nitrite', use, point, gain: 0, purpose: 'challenge', withheld: 'dose' };
}
