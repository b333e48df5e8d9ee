import { DAY_MS } from '../../../time/zone';
import { quantileOfSorted, sortedCopy } from '../../../math/quantile';
import type { Ensemble } from '../../inference/ensemble';
import type { CycleProblem, Nitrogen, ProblemKit } from '../../problem/types';
import { nowDay, type Ahead } from '../course/ahead';
import { wholePercent } from '../dates/dates';
import {
  cellChances,
  closeness,
  gainOf,
  kitsToUse,
  outcomesOf,
  varianceOf,
  type Candidate,
  type Usable,
} from './learning';
import { doseFor, feeding, proving, type Withheld } from '../dates/proving';
import {
  confirmation,
  lagging,
  lastTest,
  pointsAfter,
  showing,
  shownAgain,
} from '../dates/showing';
import { chanceClear } from '../dates/zeros';
import {
  afterBinder,
  areStale,
  dailyAmmonia,
  isWatched,
  testBeforeDose,
  testOfDose,
  withDoneRulesOwn,
} from './setTests';
import type { NextTest } from '../types';

/** Days ahead for which a test is weighed. */
const LOOK_DAYS = 14;
/** Share of the uncertainty that a test must be expected to take to be worth its reagent. */
const WORTH = 0.12;
/** The date known to this is known well enough, sd of the log of four days and what is left. */
const CERTAIN = 0.25;
/** The earliest test with this share of the best gain is taken: waiting costs days too. */
const NEARLY_BEST = 0.7;
/** Days after any test before which another is not worth its reagent, and the share of what is left. */
const GAP_DAYS = 1.5;
const GAP_SHARE = 0.2;

/**
 * The test that would teach most about the ready date for its reagent, found by playing every test
 * of the coming days on the ensemble: for each step that could be read, what would be left of the
 * uncertainty. Once both are likely clear, the test that shows it.
 * @param days ready date of each member, day of the run
 * @param atHand kits that the keeper has at hand, used before or not; those that have read when not given
 * @param withheld what the forecast would still withhold from a verdict
 * @param proves chance that a dose under way is gone in its hours
 */
export function nextTestOf(...asked: Parameters<typeof bestTest>): NextTest | null {
  const next = bestTest(...asked);
  const { problem } = asked[0];
  return next && withDoneRulesOwn(afterBinder(next, problem), problem);
}

function bestTest(
  ensemble: Ensemble,
  ahead: Ahead,
  days: Float64Array,
  atHand?: readonly ProblemKit[],
  withheld: Withheld = null,
  proves = 0,
): NextTest | null {
  const { problem } = ensemble;
  const usable = kitsToUse(problem, atHand);
  const now = nowDay(problem);
  if (usable.length > 0 && isWatched(problem)) return dailyAmmonia(problem);
  const dosed = usable.length > 0 ? testOfDose(problem, proves) : null;
  if (dosed) return dosed;
  const values = closeness(days, now);
  const ones = new Float64Array(values.length).fill(1);
  const whole = varianceOf(values, ones);
  const sd = Math.sqrt(whole);
  const candidates: Candidate[] = [];
  const best: Partial<Record<Nitrogen, number>> = {};
  for (const use of usable) {
    const { kit } = use;
    if (kit.parameter === 'nitrate') continue;
    for (let point = 0; point <= LOOK_DAYS * ahead.perDay; point += ahead.perDay) {
      const { chances } = cellChances(ensemble, ahead, use, point);
      const gain = gainOf(values, chances, whole);
      candidates.push({ parameter: kit.parameter, use, point, gain });
      best[kit.parameter] = Math.max(best[kit.parameter] ?? 0, gain);
    }
  }
  if (candidates.length === 0) return null;
  const top = Math.max(...candidates.map((c) => c.gain));
  // With the date known well enough there is little left to learn: only to show.
  const certain = sd < CERTAIN;
  const confirm = confirmation(ensemble, ahead, usable);
  const left = quantileOfSorted(sortedCopy(days), 0.5) - now;
  const soonest = pointsAfter(
    lastTest(problem, () => true),
    Math.max(GAP_DAYS, GAP_SHARE * Math.min(60, left)),
    now,
    ahead,
  );
  const learn =
    certain || top < WORTH
      ? undefined
      : candidates
          .filter((c) => c.gain >= NEARLY_BEST * top && c.gain >= WORTH && c.point >= soonest)
          .sort((a, b) => a.point - b.point || b.gain - a.gain)[0];
  const show = showing(problem, ahead, usable);
  const proof =
    proving(ensemble, withheld, ahead, usable) ?? feeding(ensemble, ahead, confirm, usable);
  const fed = proof?.purpose === 'challenge' && problem.facts.shownSince === null;
  const barred = proof?.purpose === 'challenge' && problem.facts.noDose !== null;
  if (proof?.purpose === 'challenge' && !barred && areStale(problem))
    return testBeforeDose(problem);
  const choices: (Candidate & { purpose: NextTest['purpose']; withheld?: Withheld })[] = [
    // What is tested before it is dosed would have to be tested again.
    ...(learn && !fed ? [{ ...learn, purpose: 'learn' as const }] : []),
    ...(confirm && (!proof || barred) ? [{ ...confirm, purpose: 'confirm' as const }] : []),
    ...(show ? [{ ...show, purpose: 'show' as const }] : []),
    ...(proof && !barred ? [proof] : watching(problem, ahead, usable)),
  ];
  const [chosen] = choices.sort((a, b) => a.point - b.point);
  if (!chosen) return null;
  const found = cellChances(ensemble, ahead, chosen.use, chosen.point);
  const inDays = chosen.point / ahead.perDay;
  const { purpose } = chosen;
  const single = purpose === 'learn' || purpose === 'show';
  const parameters: Nitrogen[] = single ? [chosen.parameter] : ['ammonia', 'nitrite'];
  // After a dose the water is not what was run ahead here, and nor is the date.
  const outcomes =
    purpose === 'challenge'
      ? []
      : outcomesOf(ensemble, days, found.cells, found.chances, chosen.use.kit);
  const because = becauseOf(problem, chosen, purpose, ahead, now);
  return {
    parameter: chosen.parameter,
    parameters,
    at: problem.at + inDays * DAY_MS,
    inDays,
    because: barred ? `${problem.facts.noDose} ${because}` : because,
    gain: wholePercent(chosen.gain),
    dose: purpose === 'challenge' ? doseFor(problem, chosen.withheld ?? null) : 0,
    purpose,
    outcomes,
    idle: (['ammonia', 'nitrite'] as const).filter(
      (p) => !parameters.includes(p) && best[p] !== undefined && (best[p] ?? 0) < WORTH,
    ),
  };
}

/** A test of what clears last, so that no tank is left alone for longer than tests are weighed. */
function watching(
  problem: CycleProblem,
  ahead: Ahead,
  usable: readonly Usable[],
): (Candidate & { purpose: 'learn' })[] {
  if (problem.facts.shownSince !== null) return [];
  const last = lagging(ahead);
  const use = usable.find(({ kit }) => kit.parameter === last) ?? usable[0];
  if (!use || use.kit.parameter === 'nitrate') return [];
  const tested = lastTest(problem, () => true);
  const point = pointsAfter(tested, LOOK_DAYS, nowDay(problem), ahead);
  return [{ parameter: use.kit.parameter, use, point, gain: 0, purpose: 'learn' }];
}

function becauseOf(
  problem: CycleProblem,
  chosen: Candidate & { withheld?: Withheld },
  purpose: NextTest['purpose'],
  ahead: Ahead,
  now: number,
): string {
  const { facts } = problem;
  const day = now + chosen.point / ahead.perDay;
  const name = chosen.parameter;
  if (purpose === 'challenge' && facts.nitriteShown && facts.shownSince === null) {
    return `Nitrite is nearly gone, but waiting for zeros would starve the filter bacteria until they carry no load. Dose ${facts.usualDose} of ammonia now and test both when it is likely gone.`;
  }
  if (purpose === 'challenge') {
    const size = chosen.withheld === 'proof' ? facts.proof.words : facts.usualDose;
    const dose = `Dose ${size} of ammonia now, pumps and heater on, and test both`;
    if (!facts.nitriteShown) {
      return `Nitrite was never caught above zero. ${dose} a day later: it shows nitrite, or that it is gone.`;
    }
    return chosen.withheld === 'proof'
      ? `Both read zero; one dose is left to show. ${dose} about ${facts.proof.hours} h later.`
      : `Both read zero, but the filter bacteria are likely too weak to clear a dose in a day. ${dose} when it is likely gone: it feeds the filter bacteria meanwhile.`;
  }
  if (purpose === 'show') {
    return 'Nitrite is likely there by then. A reading of it shows that the chain runs, and it may not be there for long.';
  }
  if (chosen.withheld === 'kit') {
    return 'A kit that has read zero for long may be dead. Have both read by another kit, and log that under its own name; no dose before that.';
  }
  if (purpose === 'confirm' && facts.shownSince !== null) {
    return shownAgain(problem)?.seen
      ? 'By then the zeros are too old to speak for the tank.'
      : 'Your rule for done asks to see both at zero again then.';
  }
  if (purpose === 'confirm') {
    const chance = chanceClear(ahead, name as 'nitrite', day);
    return `${chosen.point === 0 ? 'It' : `By then ${name}`} is likely clear (${tenths(chance)}), and a zero would show it.`;
  }
  if (chosen.gain < WORTH) {
    return 'No single test would tell much before then. It shows whether things still go as foreseen.';
  }
  const share = tenths(chosen.gain);
  return `It is expected to take away ${share === '0 in 10' ? 'a little' : `about ${share}`} of what is uncertain about the ready date, more than ${chosen.point === 0 ? 'any other test now' : 'any earlier test'}.`;
}

/** "7 in 10". */
export function tenths(share: number): string {
  return `${Math.round(share * 10)} in 10`;
}
