import type { Ensemble, Member } from '../../inference/ensemble';
import { packEvents, type PackedEvents } from '../../kinetics/events';
import { stateAt } from '../../kinetics/run';
import type { CycleState } from '../../kinetics/state';
import type { CycleProblem } from '../../problem/types';
import { DAY_MS } from '../../../time/zone';
import { SLACK_HOURS } from '../../verdict/criteria/challenge';
import { doneRuleOf } from '../../doneRules';
import type { Withheld } from './proving';
import { normalCdf } from '../../../math/normal';
import {
  AHEAD_STEPS,
  clearStep,
  HORIZON_DAYS,
  nowDay,
  runStretch,
  standingEvents,
  stretchFor,
  type Ahead,
  type Stretch,
} from '../course/ahead';

/** When a tank is ready by the chosen rule for done, and the doses that the rule for done asks for on the way. */
export interface Readiness {
  /** Day of the run, one for each member; Infinity beyond the horizon. */
  days: Float64Array;
  /** Days of the run of each member's scheduled doses. */
  doses: number[][];
}

/** Doses that a challenge is tried at most; a tank that needs more is not foretold. */
const MOST_CHALLENGES = 24;
/** Hours between both being clear and the next dose: the test that shows it, and the morning after. */
const PAUSE_DAYS = 0.5;
/** Filter bacteria that won so little over so many doses will not win the rest. */
const STUCK_ROUNDS = 5;
const STUCK_DAYS = 0.02;
/** Days that a dose of a challenge is followed: most are gone in the first, some need the second. */
const SHORT_SPELL = 6;
const LONG_SPELL = 45;
/** Days between two nitrate readings that show it has levelled. */
const LEVEL_DAYS = 5;
/** Days from light on to each stage of the algae succession: median and sd of the log; judgement. */
const SUCCESSION = { days: [18, 32, 55], sd: 0.35 };

/** Days until both are clear after a dose; Infinity when the spell is too short for it. */
function daysToClear(spell: Stretch, member: Member, from: CycleState, dose: PackedEvents): number {
  runStretch(spell, member, from, dose);
  const { course, environment } = spell;
  const length = environment.steps + 1;
  return (
    Math.max(clearStep(course.ammonia, length), clearStep(course.nitrite, length)) / AHEAD_STEPS
  );
}

interface Stretches {
  wait: Stretch;
  short: Stretch;
  long: Stretch;
}

/**
 * Plays the challenge for one tank: dose once both are clear, look a day or two later, dose
 * again if either is not, each dose growing the filter bacteria.
 */
function challengeDays(
  problem: CycleProblem,
  member: Member,
  clearDay: number,
  stretches: Stretches,
): { ready: number; doses: number[] } {
  const { facts } = problem;
  const { hours, within } = facts.proof;
  const doses: number[] = [];
  if (facts.provedAt !== null) {
    return { ready: (facts.provedAt - problem.origin) / DAY_MS + hours / 24, doses };
  }
  const now = nowDay(problem);
  let day = Math.max(clearDay, now) + PAUSE_DAYS;
  if (!(day < now + HORIZON_DAYS)) return { ready: Infinity, doses };
  runStretch(
    stretches.wait,
    member,
    member.now,
    packEvents(standingEvents(problem, member, HORIZON_DAYS)),
  );
  const waitSteps = Math.min(
    stretches.wait.environment.steps,
    Math.ceil((day - now) * AHEAD_STEPS),
  );
  let state = stateAt(stretches.wait.course, waitSteps);
  // What the acid of each dose takes, a keeper puts back: the rule for done asks for alkalinity as well.
  const dose = packEvents([
    ...standingEvents(problem, member, LONG_SPELL),
    {
      step: 0,
      ammonia: facts.proof.rise * member.strength,
      alkalinityIs: Math.max(8, state.alkalinity),
    },
  ]);
  const took: number[] = [];
  for (let round = 0; round < MOST_CHALLENGES; round += 1) {
    doses.push(day);
    let spell = stretches.short;
    let days = daysToClear(spell, member, state, dose);
    if (!Number.isFinite(days)) {
      spell = stretches.long;
      days = daysToClear(spell, member, state, dose);
    }
    // A test within the slack still counts, as in the verdict.
    if (days <= (within + SLACK_HOURS) / 24) {
      return { ready: day + (days <= (hours + SLACK_HOURS) / 24 ? hours : within) / 24, doses };
    }
    if (!Number.isFinite(days)) break;
    // Filter bacteria that die back between doses as fast as they grow get no quicker.
    took.push(days);
    const before = took.at(-1 - STUCK_ROUNDS);
    if (before !== undefined && before - days < STUCK_DAYS) break;
    const next = Math.ceil(days + PAUSE_DAYS);
    state = stateAt(spell.course, Math.min(spell.environment.steps, next * AHEAD_STEPS));
    day += next;
    if (day > now + HORIZON_DAYS) break;
  }
  return { ready: Infinity, doses };
}

/** Even normal scores, so that a spread over members needs no chance: Φ⁻¹ by bisection. */
function normalScore(share: number): number {
  let low = -6;
  let high = 6;
  for (let i = 0; i < 50; i += 1) {
    const middle = (low + high) / 2;
    if (normalCdf(middle) < share) low = middle;
    else high = middle;
  }
  return low;
}

function successionDay(problem: CycleProblem, row: number, count: number): number {
  const { facts } = problem;
  if (facts.succession >= 3) return 0;
  if (facts.litSince === null) return Infinity;
  // Members in a scattered order, so that it does not go with anything else about them.
  const place = ((row * 0.6180339887) % 1) * (1 - 1 / count) + 0.5 / count;
  const days = (SUCCESSION.days[2] ?? 55) * Math.exp(SUCCESSION.sd * normalScore(place));
  const lit = (facts.litSince - problem.origin) / DAY_MS;
  return Math.max(lit + days, nowDay(problem) + (2 - facts.succession) * LEVEL_DAYS);
}

/**
 * The day from which a span at zero counts: as tests show it, or once it is clear for tests to show. What
 * cleared unseen counts from now at the soonest.
 */
function zerosBegin(problem: CycleProblem, clear: number): number {
  const now = nowDay(problem);
  const shown = problem.facts.shownSince;
  if (shown !== null && clear <= now) return (shown - problem.origin) / DAY_MS;
  return Math.max(clear, now);
}

/**
 * When each member is ready by the problem's rule for done, if nothing is done but what the rule for done asks, and what
 * the forecast withholds until a dose has shown it.
 */
export function readiness(ensemble: Ensemble, ahead: Ahead, withheld: Withheld = null): Readiness {
  const { problem, members } = ensemble;
  const { doneRule, facts } = problem;
  const days = new Float64Array(members.length);
  const doses: number[][] = members.map(() => []);
  // Stretches are laid out once for all members, and only for a rule for done that doses.
  let laidOut: Stretches | null = null;
  const stretches = () =>
    (laidOut ??= {
      wait: stretchFor(problem, HORIZON_DAYS),
      short: stretchFor(problem, SHORT_SPELL),
      long: stretchFor(problem, LONG_SPELL),
    });
  members.forEach((member, row) => {
    const clear = Math.max(ahead.ammoniaClears[row] as number, ahead.nitriteClears[row] as number);
    const proven = (from: number) => {
      const played = challengeDays(problem, member, from, stretches());
      doses[row] = played.doses;
      return played.ready;
    };
    const own = doneRuleOf(doneRule).readyDay(clear, doneRule, {
      facts,
      dayOf: (ms) => (ms - problem.origin) / DAY_MS,
      zerosFrom: (from) => zerosBegin(problem, from),
      proven,
      succession: () => successionDay(problem, row, members.length),
    });
    const asked = withheld === 'proof' || withheld === 'dose';
    days[row] = asked && facts.provedAt === null ? Math.max(own, proven(clear)) : own;
  });
  return { days, doses };
}
