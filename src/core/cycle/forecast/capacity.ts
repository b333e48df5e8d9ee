import { quantileOfSorted } from '../../math/quantile';
import type { Member } from '../inference/ensemble';
import { unpackMembers, type Posterior } from '../inference/posterior';
import { packEvents } from '../kinetics/events';
import type { CycleState } from '../kinetics/state';
import { courseFor, runCycle, stateAt } from '../kinetics/run';
import { AHEAD_STEPS, aheadEnvironment } from './course/ahead';
import { loadEvents, type Load } from './course/carry';

/** Free ammonia that animals live in at ease, mg NH3-N/L: what an addition's peak is held to. */
export const FREE_LIMIT = 0.02;
/** How long an addition is followed, days: filter bacteria that can follow have followed by then. */
export const FOLLOW_DAYS = 21;

/**
 * The largest load by date. From each day on, nitrogen up to `most` (mg N/L a day) would keep free
 * ammonia at or under the limit in nine of ten tanks that the readings allow.
 */
export interface CapacityCurve {
  days: number[];
  most: number[];
}

/** Tanks that are asked: enough for a 90th percentile that stands to a few per cent. */
const MOST_MEMBERS = 64;
/** Loads are told apart to a thirtieth or so. */
const HALVINGS = 9;
/** Nothing in a tank makes more than this, mg N/L a day. */
const TOP_LOAD = 8;

/** Every n-th member, so that a few stand for all. */
function some(members: readonly Member[]): Member[] {
  const step = Math.max(1, Math.floor(members.length / MOST_MEMBERS));
  return members.filter((_, i) => i % step === 0);
}

/**
 * Reads the capacity of a tank by date off its posterior: the filter bacteria are carried to each date under
 * the load it has now, and from there the largest load is sought whose 90th percentile of the peak of
 * free ammonia stays within the limit for three weeks.
 * @param kept nitrogen that goes in meanwhile, mg N/L a day: what its animals make, or what it is fed
 * @param days days from the posterior's moment, in order
 * @param beyond share of the tanks that may go above the limit: a tenth, or a half for the middle
 */
export function capacityCurve(
  posterior: Posterior,
  kept: number,
  days: readonly number[],
  limit: number = FREE_LIMIT,
  beyond = 0.1,
): CapacityCurve {
  const { problem, trusting, steppedBack } = posterior;
  const members = some(unpackMembers(problem, steppedBack ?? trusting));
  const last = Math.max(1, ...days);
  const way = aheadEnvironment(problem, last);
  const wayCourse = courseFor(way);
  const keptWhole = packEvents(loadEvents([{ fromDay: 0, nitrogen: kept }], last));
  const starts: CycleState[][] = days.map(() => []);
  for (const member of members) {
    const events = scaled(keptWhole, member.fish);
    runCycle(member.parameters, way, events, member.now, wayCourse);
    days.forEach((day, i) => starts[i]?.push(stateAt(wayCourse, Math.round(day * AHEAD_STEPS))));
  }
  const stretch = aheadEnvironment(problem, FOLLOW_DAYS);
  const course = courseFor(stretch);
  const share = stretch.freeShare[0] ?? 0;
  // A load of one, to be made as large as is asked.
  const unit = packEvents(loadEvents([{ fromDay: 0, nitrogen: 1 }], FOLLOW_DAYS));
  // Once more than the share did not stay within the limit, the rest need not be run.
  const allowed = Math.floor(members.length * beyond);
  const fits = (from: readonly CycleState[], load: number): boolean => {
    let above = 0;
    for (const [row, member] of members.entries()) {
      const start = from[row];
      if (!start) continue;
      runCycle(member.parameters, stretch, scaled(unit, member.fish * load), start, course);
      let top = 0;
      for (let step = 0; step <= stretch.steps; step += 1) {
        const value = course.ammonia[step] as number;
        if (value > top) top = value;
      }
      if (top * Math.min(1, share * member.free) > limit) above += 1;
      if (above > allowed) return false;
    }
    return true;
  };
  const most = starts.map((from) => {
    let low = 0;
    let high = TOP_LOAD;
    // Halved by ratio: small loads matter as much as large ones.
    if (!fits(from, 0.001)) return 0;
    low = 0.001;
    for (let i = 0; i < HALVINGS; i += 1) {
      const middle = Math.sqrt(low * high);
      if (fits(from, middle)) low = middle;
      else high = middle;
    }
    return low;
  });
  // What would not be borne later is not borne now: the curve never falls.
  for (let i = most.length - 2; i >= 0; i -= 1) {
    most[i] = Math.min(most[i] as number, most[i + 1] as number);
  }
  return { days: [...days], most };
}

/**
 * The 90th percentile of the peak of free ammonia under a load that changes in time, mg NH3-N/L: what
 * a plan that was found by the curve is checked with.
 */
export function peakUnder(posterior: Posterior, load: readonly Load[], days: number): number {
  const { problem, trusting, steppedBack } = posterior;
  const members = some(unpackMembers(problem, steppedBack ?? trusting));
  const environment = aheadEnvironment(problem, days);
  const course = courseFor(environment);
  const share = environment.freeShare[0] ?? 0;
  const whole = packEvents(loadEvents(load, days));
  const peaks = members.map((member) => {
    runCycle(member.parameters, environment, scaled(whole, member.fish), member.now, course);
    let top = 0;
    for (let step = 0; step <= environment.steps; step += 1) {
      top = Math.max(top, course.ammonia[step] as number);
    }
    return top * Math.min(1, share * member.free);
  });
  return quantileOfSorted(Float64Array.from(peaks).sort(), 0.9);
}

function scaled<E extends ReturnType<typeof packEvents>>(events: E, by: number): E {
  return {
    ...events,
    ammonia: events.ammonia.map((given) => given * by),
    alkalinity: events.alkalinity.map((given) => given * by),
  };
}

/** The largest load of a curve on a day, straight between its points. */
export function capacityOn({ days, most }: CapacityCurve, day: number): number {
  const after = days.findIndex((known) => known >= day);
  if (after < 0) return most.at(-1) ?? 0;
  if (after === 0) return most[0] ?? 0;
  const [d0 = 0, d1 = 0] = [days[after - 1], days[after]];
  const [m0 = 0, m1 = 0] = [most[after - 1], most[after]];
  return m0 + ((m1 - m0) * (day - d0)) / (d1 - d0);
}
