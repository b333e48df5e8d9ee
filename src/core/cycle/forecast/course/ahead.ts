import type { Ensemble, Member, PastCourses } from '../../inference/ensemble';
import { STEPS_PER_DAY, type Conditions, type Environment } from '../../kinetics/environment';
import { packEvents, type CycleEvent, type PackedEvents } from '../../kinetics/events';
import { courseFor, runCycle, type CycleCourse } from '../../kinetics/run';
import type { CycleState } from '../../kinetics/state';
import { ALKALINE } from '../../alkalinity';
import { FISH_PARTS } from '../../problem/additions';
import { environmentAhead } from '../../problem/conditions';
import type { CycleProblem } from '../../problem/types';

/** Days looked ahead. */
export const HORIZON_DAYS = 120;
/** Below this a parameter is clear, mg N/L. */
export const CLEAR = 0.1;
/** Steps a day ahead: three hours move a date by a tenth of a day at most, and cost a third. */
const AHEAD_STEPS = STEPS_PER_DAY / 3;

/**
 * What goes on by itself in a tank: fish that are in it. With nothing else done there is nothing
 * else.
 */
export function standingEvents(problem: CycleProblem, member: Member, days: number): CycleEvent[] {
  if (problem.fish === 0) return [];
  const each = (problem.fish * member.fish) / FISH_PARTS;
  return Array.from({ length: days * FISH_PARTS }, (_, part) => ({
    step: (part * AHEAD_STEPS) / FISH_PARTS,
    ammonia: each,
    alkalinity: ALKALINE * each,
  }));
}

/** The tanks of an ensemble run ahead; one row to a member, `perDay` points a day. */
export interface Ahead {
  perDay: number;
  points: number;
  ammonia: Float32Array;
  nitrite: Float32Array;
  nitrate: Float32Array;
  free: Float32Array;
  alkalinity: Float32Array;
  /** Day of the run at which each clears for good; Infinity beyond the horizon. */
  ammoniaClears: Float64Array;
  nitriteClears: Float64Array;
  /** Lowest alkalinity on the way to clear, dKH. */
  lowestAlkalinity: Float64Array;
}

export interface AheadOptions {
  conditions?: Partial<Conditions>;
  events?: (member: Member) => CycleEvent[];
  days?: number;
  members?: readonly Member[];
}

/** The problem with the step that the way ahead is run at. */
export function aheadEnvironment(
  problem: CycleProblem,
  days: number,
  changed?: Partial<Conditions>,
): Environment {
  return environmentAhead({ ...problem, ...scaledSteps(problem) }, days, changed);
}

/** The same span in the steps of the way ahead, so that "now" stays where it is. */
function scaledSteps(problem: CycleProblem): Pick<CycleProblem, 'steps' | 'stepsPerDay'> {
  const days = problem.steps / problem.stepsPerDay;
  return { steps: Math.round(days * AHEAD_STEPS), stepsPerDay: AHEAD_STEPS };
}

/** Day of "now" in the run: its end, which may lie an hour or two after the moment asked about. */
export function nowDay(problem: CycleProblem): number {
  return problem.steps / problem.stepsPerDay;
}

/**
 * Where a series falls under the limit for good, in places of it, straight between two; 0 if it is
 * never above, Infinity if it is above at its end.
 */
export function clearStep(series: ArrayLike<number>, length: number, from = 0): number {
  for (let i = length - 1; i >= 0; i -= 1) {
    const value = series[from + i] as number;
    if (value < CLEAR) continue;
    if (i === length - 1) return Infinity;
    const next = series[from + i + 1] as number;
    return i + (value - CLEAR) / (value - next);
  }
  return 0;
}

/** Day at which a series of the past cleared for good; 0 if it was never above. */
function clearedInPast(
  past: PastCourses,
  row: number,
  series: Float32Array,
  { stepsPerDay, steps }: CycleProblem,
): number {
  const place = clearStep(series, past.points, row * past.points);
  // Above at the last sampled point, and clear by now: between the two.
  const step = (Number.isFinite(place) ? place : past.points - 0.5) * past.every;
  return Math.min(step, steps) / stepsPerDay;
}

/** Runs every member ahead from now. */
export function runAhead(ensemble: Ensemble, options: AheadOptions = {}): Ahead {
  const { problem, past } = ensemble;
  const { days = HORIZON_DAYS, members = ensemble.members } = options;
  const environment = aheadEnvironment(problem, days, options.conditions);
  const course = courseFor(environment);
  const perDay = 2;
  const every = AHEAD_STEPS / perDay;
  const points = days * perDay + 1;
  const room = () => new Float32Array(points * members.length);
  const ahead: Ahead = {
    perDay,
    points,
    ammonia: room(),
    nitrite: room(),
    nitrate: room(),
    free: room(),
    alkalinity: room(),
    ammoniaClears: new Float64Array(members.length),
    nitriteClears: new Float64Array(members.length),
    lowestAlkalinity: new Float64Array(members.length),
  };
  const share = environment.freeShare[0] ?? 0;
  const from = nowDay(problem);
  members.forEach((member, row) => {
    const events = packEvents([
      ...standingEvents(problem, member, days),
      ...(options.events?.(member) ?? []),
    ]);
    runCycle(member.parameters, environment, events, member.now, course);
    for (let point = 0; point < points; point += 1) {
      const step = point * every;
      const at = row * points + point;
      ahead.ammonia[at] = course.ammonia[step] as number;
      ahead.nitrite[at] = course.nitrite[step] as number;
      ahead.nitrate[at] = course.nitrate[step] as number;
      ahead.alkalinity[at] = course.alkalinity[step] as number;
      ahead.free[at] = (course.ammonia[step] as number) * Math.min(1, share * member.free);
    }
    const length = environment.steps + 1;
    const a = clearStep(course.ammonia, length);
    const b = clearStep(course.nitrite, length);
    ahead.ammoniaClears[row] =
      a > 0 ? from + a / AHEAD_STEPS : clearedInPast(past, row, past.ammonia, problem);
    ahead.nitriteClears[row] =
      b > 0 ? from + b / AHEAD_STEPS : clearedInPast(past, row, past.nitrite, problem);
    const until = Math.min(environment.steps, Math.max(a, b));
    let lowest = Infinity;
    for (let step = 0; step <= until; step += every) {
      lowest = Math.min(lowest, course.alkalinity[step] as number);
    }
    ahead.lowestAlkalinity[row] = lowest;
  });
  return ahead;
}

/** The rows given, which may repeat. */
export function rowsAhead(ahead: Ahead, rows: readonly number[]): Ahead {
  const { points } = ahead;
  const pick = (series: Float32Array) => {
    const out = new Float32Array(rows.length * points);
    rows.forEach((row, i) =>
      out.set(series.subarray(row * points, (row + 1) * points), i * points),
    );
    return out;
  };
  const each = (values: Float64Array) => Float64Array.from(rows, (row) => values[row] as number);
  return {
    perDay: ahead.perDay,
    points,
    ammonia: pick(ahead.ammonia),
    nitrite: pick(ahead.nitrite),
    nitrate: pick(ahead.nitrate),
    free: pick(ahead.free),
    alkalinity: pick(ahead.alkalinity),
    ammoniaClears: each(ahead.ammoniaClears),
    nitriteClears: each(ahead.nitriteClears),
    lowestAlkalinity: each(ahead.lowestAlkalinity),
  };
}

/** Runs one member for some days from a state, reusing what is given; returns nothing, fills `course`. */
export interface Stretch {
  environment: Environment;
  course: CycleCourse;
}

export function stretchFor(problem: CycleProblem, days: number): Stretch {
  const environment = aheadEnvironment(problem, days);
  return { environment, course: courseFor(environment) };
}

export function runStretch(
  stretch: Stretch,
  member: Member,
  start: CycleState,
  events: PackedEvents,
): void {
  runCycle(member.parameters, stretch.environment, events, start, stretch.course);
}

export { AHEAD_STEPS };
