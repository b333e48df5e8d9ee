import { quantileOfSorted } from '../../../math/quantile';
import { DAY_MS } from '../../../time/zone';
import { unpackMembers, type Posterior } from '../../inference/posterior';
import { packEvents, type CycleEvent } from '../../kinetics/events';
import { courseFor, runCycle } from '../../kinetics/run';
import { ALKALINE } from '../../alkalinity';
import { FISH_PARTS } from '../../problem/additions';
import { AHEAD_STEPS, aheadEnvironment } from './ahead';
import { rounded } from '../dates/dates';

/** Nitrogen that goes in from a day on, mg N/L a day, in place of what went in before. */
export interface Load {
  /** Days from the posterior's moment; 0 for from now on. */
  fromDay: number;
  nitrogen: number;
}

/** Quantiles of total ammonia (mg N/L) and of free ammonia (mg NH3-N/L) at a moment. */
export interface CarriedPoint {
  at: number;
  ammonia: { p10: number; p50: number; p90: number };
  free: { p10: number; p50: number; p90: number };
}

/** How a tank would carry a load. */
export interface Carried {
  points: CarriedPoint[];
  /** Highest of each tank on the way. */
  peakAmmonia: { p50: number; p90: number };
  peakFree: { p50: number; p90: number };
}

/** The nitrogen of a load series as events, a few a day, since animals give it off all day. */
export function loadEvents(load: readonly Load[], days: number): CycleEvent[] {
  const steps = [...load].sort((a, b) => a.fromDay - b.fromDay);
  const events: CycleEvent[] = [];
  for (let part = 0; part < days * FISH_PARTS; part += 1) {
    const day = part / FISH_PARTS;
    const rate = steps.findLast((step) => step.fromDay <= day)?.nitrogen ?? 0;
    if (rate <= 0) continue;
    const each = rate / FISH_PARTS;
    events.push({
      step: (part * AHEAD_STEPS) / FISH_PARTS,
      ammonia: each,
      alkalinity: ALKALINE * each,
    });
  }
  return events;
}

/**
 * Looks ahead under a load that changes in time: what total and free ammonia come to, in every tank
 * that the readings allow. Begins at the posterior's moment and infers nothing anew.
 * @param load nitrogen a day by day from now on; it stands in place of what the tank's own animals
 *   were taken to make
 * @param days days to look ahead, 1 to 120
 */
export function carry(posterior: Posterior, load: readonly Load[], days: number): Carried {
  const { problem, trusting, steppedBack } = posterior;
  const members = unpackMembers(problem, steppedBack ?? trusting);
  const environment = aheadEnvironment(problem, days);
  const course = courseFor(environment);
  const share = environment.freeShare[0] ?? 0;
  const every = AHEAD_STEPS / 2;
  const points = days * 2 + 1;
  const ammonia = Array.from({ length: points }, () => new Float64Array(members.length));
  const free = Array.from({ length: points }, () => new Float64Array(members.length));
  const peakAmmonia = new Float64Array(members.length);
  const peakFree = new Float64Array(members.length);
  // The same moments for every tank; only how much each takes the animals to give off differs.
  const whole = packEvents(loadEvents(load, days));
  members.forEach((member, row) => {
    const events = {
      ...whole,
      ammonia: whole.ammonia.map((given) => given * member.fish),
      alkalinity: whole.alkalinity.map((given) => given * member.fish),
    };
    runCycle(member.parameters, environment, events, member.now, course);
    const ownShare = Math.min(1, share * member.free);
    for (let step = 0; step <= environment.steps; step += 1) {
      const value = course.ammonia[step] as number;
      if (value > (peakAmmonia[row] as number)) peakAmmonia[row] = value;
    }
    peakFree[row] = (peakAmmonia[row] as number) * ownShare;
    for (let point = 0; point < points; point += 1) {
      const value = course.ammonia[point * every] as number;
      (ammonia[point] as Float64Array)[row] = value;
      (free[point] as Float64Array)[row] = value * ownShare;
    }
  });
  const at = (values: Float64Array, q: number) => rounded(quantileOfSorted(values, q), 4);
  const spread = (values: Float64Array) => {
    values.sort();
    return { p10: at(values, 0.1), p50: at(values, 0.5), p90: at(values, 0.9) };
  };
  const peak = (values: Float64Array) => {
    values.sort();
    return { p50: at(values, 0.5), p90: at(values, 0.9) };
  };
  return {
    points: ammonia.map((values, point) => ({
      at: problem.at + (point / 2) * DAY_MS,
      ammonia: spread(values),
      free: spread(free[point] as Float64Array),
    })),
    peakAmmonia: peak(peakAmmonia),
    peakFree: peak(peakFree),
  };
}
