import { DAY_MS } from '../../time/zone';
import type { Ensemble, Member } from '../inference/ensemble';
import { hypothesesFor, type HypothesisId } from '../inference/hypotheses';
import { packEvents, type CycleEvent } from '../kinetics/events';
import { stateAt, type CycleCourse } from '../kinetics/run';
import type { CycleState } from '../kinetics/state';
import { ALKALINE } from '../alkalinity';
import { FISH_PARTS } from '../problem/additions';
import { testsOf } from '../problem/observations';
import type { CycleProblem, Nitrogen } from '../problem/types';
import { SURE, type Assurance } from '../verdict/assurance';
import { FIRST_LOAD, SAFE, STAYS_DAYS } from '../verdict/safe';
import { SLACK_HOURS } from '../verdict/criteria/challenge';
import {
  AHEAD_STEPS,
  CLEAR,
  runStretch,
  standingEvents,
  stretchFor,
  type Stretch,
} from './course/ahead';
import { rounded } from './dates/dates';
import { ensembleOf, infer, type InferOptions } from './posterior';

/**
 * The load that a tank must carry here, as a multiple of the first fish's, by the days since anything was put
 * in for its filter bacteria. No model is the tank, and what a fish makes is known to a third; and the longer nothing
 * feeds filter bacteria, the more rests on how fast such filter bacteria die back, which no zero shows. Chosen on held-out
 * tanks whose keepers only watch: `npm run study`.
 */
const MARGINS = { fed: 1.5, unfed: 2.5, from: 7, to: 17 } as const;

/** The margin for filter bacteria that nothing fed for so many days. */
export function marginFor(unfedDays: number): number {
  const { fed, unfed, from, to } = MARGINS;
  const way = Math.min(1, Math.max(0, (unfedDays - from) / (to - from)));
  return fed + way * (unfed - fed);
}

/** Days since anything was put in for the filter bacteria, as of the problem's moment; 0 where nothing is known of it. */
function unfedDays({ facts, at }: CycleProblem): number {
  return facts.fedAt === null ? 0 : Math.max(0, (at - facts.fedAt) / DAY_MS);
}

/** The same of the dose that is given again, for filter bacteria that are fed little more than that. */
const REPEAT_MARGIN = 1.15;

/** Days ahead for which it is asked whether a challenge would still pass. */
const REPEATS_DAYS = 30;
/** Days ahead at which it is asked whether a load would still be carried, if nothing feeds the filter bacteria. */
const CARRIES_ON = [0, 2, 4, 6, 8, 11, 14, 21, 30] as const;

const SUSPECTS: Partial<Record<HypothesisId, string>> = {
  weakDose: 'the doses may have been much weaker than their label',
  deadBottle: 'the bottle may have brought nothing alive',
  filterBacteriaHarmed: 'the filter bacteria may have been harmed',
  unloggedDose: 'something may have gone in that is not logged',
  ammoniaKit: 'the ammonia kit may be off',
  nitriteKit: 'the nitrite kit may be off',
  ammoniaKitDead: 'the ammonia kit may be dead: it would read zero for ever',
  nitriteKitDead: 'the nitrite kit may be dead: it would read zero for ever',
};

function peakOf(course: CycleCourse, steps: number): number {
  let peak = 0;
  for (let step = 0; step <= steps; step += 1) {
    peak = Math.max(peak, course.ammonia[step] as number, course.nitrite[step] as number);
  }
  return peak;
}

function loadEvents(margin: number): CycleEvent[] {
  const each = (margin * FIRST_LOAD.nitrogen) / FISH_PARTS;
  return Array.from({ length: FIRST_LOAD.days * FISH_PARTS }, (_, part) => ({
    step: (part * AHEAD_STEPS) / FISH_PARTS,
    ammonia: each,
    alkalinity: ALKALINE * each,
  }));
}

/**
 * A fortnight under a load, ready to be run from any state of a member.
 * @param loads multiples of a first fish's load, each asked for by its place
 */
function loadsOn(
  problem: CycleProblem,
  loads: readonly number[],
): (member: Member) => (from: CycleState, place: number) => boolean {
  const stretch = stretchFor(problem, FIRST_LOAD.days);
  const each = loads.map(loadEvents);
  // With no fish in, what goes in is the same for every member.
  const shared = problem.fish === 0 ? each.map((events) => packEvents(events)) : null;
  return (member) => {
    const packed =
      shared ??
      each.map((load) =>
        packEvents([...standingEvents(problem, member, FIRST_LOAD.days), ...load]),
      );
    return (from, place) => {
      const events = packed[place];
      if (!events) throw new RangeError(`There is no load ${place}.`);
      runStretch(stretch, member, from, events);
      return peakOf(stretch.course, stretch.environment.steps) <= SAFE;
    };
  };
}

/**
 * Share of the tanks that would carry the load some days from now, if nothing more fed them until then.
 * @param days days ahead, 0 to some months
 * @param events what is put in on the way
 * @param margin multiple of the load; the one that is asked at that moment, unless another is
 */
export function carriesAfter(
  { problem, members }: Ensemble,
  days: number,
  events?: (member: Member) => CycleEvent[],
  margin?: number,
): number {
  const still = stretchFor(problem, Math.max(1, Math.ceil(days)));
  const unfed = events ? days : unfedDays(problem) + days;
  const carries = loadsOn(problem, [margin ?? marginFor(unfed)]);
  const carried = members.filter((member) => {
    const given = [
      ...standingEvents(problem, member, Math.ceil(days)),
      ...(events?.(member) ?? []),
    ];
    runStretch(still, member, member.now, packEvents(given));
    return carries(member)(stateAt(still.course, Math.round(days * AHEAD_STEPS)), 0);
  });
  return carried.length / Math.max(1, members.length);
}

/** Whether a dose is gone within its hours, from a state on. */
function repeatPasses(
  problem: CycleProblem,
  spell: Stretch,
  member: Member,
  from: CycleState,
  rise: number,
): boolean {
  const { hours } = problem.facts.proof;
  const dose = packEvents([
    ...standingEvents(problem, member, Math.ceil(hours / 24) + 1),
    {
      step: 0,
      ammonia: rise * member.strength,
      // Alkalinity is a criterion of its own, so it is taken as held up.
      alkalinityIs: Math.max(8, from.alkalinity),
    },
  ]);
  runStretch(spell, member, from, dose);
  return isClearAt(spell.course, (hours + SLACK_HOURS) / 24);
}

/** Whether both are clear some days into a course. */
function isClearAt({ ammonia, nitrite }: CycleCourse, days: number): boolean {
  const step = Math.floor(days * AHEAD_STEPS);
  return (ammonia[step] as number) < CLEAR && (nitrite[step] as number) < CLEAR;
}

/** The story behind most of the tanks in which it goes wrong, where there is one. */
function suspectOf(members: readonly Member[], wrong: readonly boolean[]): string | null {
  const failing = members.filter((_, row) => wrong[row]);
  const counts = new Map<HypothesisId, number>();
  for (const { hypothesis } of failing) counts.set(hypothesis, (counts.get(hypothesis) ?? 0) + 1);
  const [top] = [...counts].sort((a, b) => b[1] - a[1]);
  return top && top[1] > failing.length / 2 ? (SUSPECTS[top[0]] ?? null) : null;
}

/** A kit that may be dead is doubted from this share of the tanks on in which it goes wrong by it. */
const DOUBTED = 0.02;

/**
 * The kit that may be dead in more of the tanks than is asked that none goes wrong; null for none. Where the last
 * reading is another kit's, that one has been asked already, and the doubt of the first settles nothing any more.
 */
function doubtedOf(
  problem: CycleProblem,
  members: readonly Member[],
  wrong: readonly boolean[],
): Assurance['doubted'] {
  const suspects = hypothesesFor(problem);
  // One kit may stand twice among those of the readings, by what it was read in.
  const idOf = (place: number | undefined) => problem.kits[place ?? -1]?.id;
  const isDoubted = (id: 'ammoniaKitDead' | 'nitriteKitDead', parameter: Nitrogen) => {
    const last = testsOf(problem).findLast((one) => one.parameter === parameter);
    const suspect = suspects.find((one) => one.id === id);
    if (idOf(suspect?.kit) !== idOf(last?.kit)) return false;
    const share = members.filter((member, row) => wrong[row] && member.hypothesis === id).length;
    return share / members.length > DOUBTED;
  };
  if (isDoubted('nitriteKitDead', 'nitrite')) return 'nitrite';
  return isDoubted('ammoniaKitDead', 'ammonia') ? 'ammonia' : null;
}

/**
 * Plays every way in which *ready* could be wrong on each tank that the readings allow. It asks the
 * ensemble as inferred, not as weighted for the day it is asked on, and adds nothing to the evidence.
 */
export function assuranceOf({ problem, members }: Ensemble): Assurance {
  const still = stretchFor(problem, Math.max(STAYS_DAYS, REPEATS_DAYS, ...CARRIES_ON));
  const { proof, testAt } = problem.facts;
  const isChallenge = problem.doneRule.rule === 'challenge';
  const spell = stretchFor(problem, Math.ceil(proof.hours / 24) + 1);
  const again = REPEAT_MARGIN * proof.rise;
  const unfed = unfedDays(problem);
  const loads = CARRIES_ON.map((day) => marginFor(unfed + day));
  const two = CARRIES_ON.length;
  const carriesOf = loadsOn(problem, [...loads, 2 * marginFor(unfed)]);
  const wrong: boolean[] = [];
  let stays = 0;
  let carriesTwo = 0;
  let proves = 0;
  const carries = CARRIES_ON.map(() => 0);
  const repeats = new Array<number>(REPEATS_DAYS + 1).fill(0);
  for (const member of members) {
    const standing = standingEvents(problem, member, REPEATS_DAYS);
    runStretch(still, member, member.now, packEvents(standing));
    const staysLow = peakOf(still.course, STAYS_DAYS * AHEAD_STEPS) <= SAFE;
    const carriesFrom = carriesOf(member);
    // Filter bacteria that are not fed only dwindle: once they do not carry it they do not later.
    const lapsed = CARRIES_ON.findIndex(
      (day, place) => !carriesFrom(stateAt(still.course, day * AHEAD_STEPS), place),
    );
    const times = lapsed < 0 ? CARRIES_ON.length : lapsed;
    for (let place = 0; place < times; place += 1) carries[place] = (carries[place] ?? 0) + 1;
    carriesTwo += Number(times > 0 && carriesFrom(member.now, two));
    proves += Number(
      testAt === null
        ? repeatPasses(problem, spell, member, member.now, proof.rise)
        : isClearAt(still.course, Math.max(0, (testAt - problem.at) / DAY_MS)),
    );
    let passesNow = true;
    if (isChallenge) {
      passesNow = repeatPasses(problem, spell, member, member.now, again);
      repeats[0] = (repeats[0] ?? 0) + Number(passesNow);
      // Filter bacteria that are not fed only dwindle: once they do not pass they do not pass later.
      for (let day = 1, passes = passesNow; passes && day <= REPEATS_DAYS; day += 1) {
        const then = stateAt(still.course, day * AHEAD_STEPS);
        passes = repeatPasses(problem, spell, member, then, again);
        repeats[day] = (repeats[day] ?? 0) + Number(passes);
      }
    }
    stays += Number(staysLow);
    wrong.push(!(staysLow && times > 0 && passesNow));
  }
  const count = Math.max(1, members.length);
  const share = (number: number) => rounded(number / count, 3);
  const lasts = repeats.findLastIndex((number) => number / count >= SURE.repeats);
  const last = carries.findLastIndex((number) => number / count >= SURE.carries);
  return {
    stays: share(stays),
    carries: share(carries[0] ?? 0),
    carriesUntil:
      last < 0 || last === CARRIES_ON.length - 1
        ? null
        : problem.at + (CARRIES_ON[last] ?? 0) * DAY_MS,
    carriesTwo: share(carriesTwo),
    proof: share(proves),
    repeats: isChallenge ? share(repeats[0] ?? 0) : null,
    repeatsUntil:
      !isChallenge || lasts < 0 || lasts === REPEATS_DAYS ? null : problem.at + lasts * DAY_MS,
    suspect: suspectOf(members, wrong),
    doubted: doubtedOf(problem, members, wrong),
  };
}

/**
 * What all that is known says of a tank, without the rest of a forecast; the same figures as in one. The
 * readings are weighed once, and may be asked under any rule for done.
 */
export function assurer(
  problem: CycleProblem,
  options: InferOptions,
): (asked: CycleProblem) => Assurance {
  const ensemble = ensembleOf(infer(problem, options), 'steppedBack');
  return (asked) => assuranceOf({ ...ensemble, problem: asked });
}

/** What all that is known says of a tank under the rule for done that it has. */
export function assure(problem: CycleProblem, options: InferOptions): Assurance {
  return assurer(problem, options)(problem);
}
