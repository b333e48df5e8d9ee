import { ALKALINITY_PER_N } from '../../units/constants';
import type { Environment } from './environment';
import type { PackedEvents } from './events';
import type { CycleParameters } from './parameters';
import type { CycleState } from './state';

// Bound once: looking them up in every step is slow where globals are watched over, as in tests.
const { exp, max, sqrt } = Math;

/** The course of a run: a value at the end of every step, and the state at the start at index 0. */
export interface CycleCourse {
  /** mg N/L. */
  ammonia: Float64Array;
  nitrite: Float64Array;
  nitrate: Float64Array;
  organic: Float64Array;
  /** dKH. */
  alkalinity: Float64Array;
  /** mg N/L/day. */
  capacityA: Float64Array;
  capacityB: Float64Array;
  awake: Float64Array;
}

/** The state of a course at a step. */
export function stateAt(course: CycleCourse, step: number): CycleState {
  return {
    ammonia: course.ammonia[step] as number,
    nitrite: course.nitrite[step] as number,
    nitrate: course.nitrate[step] as number,
    organic: course.organic[step] as number,
    alkalinity: course.alkalinity[step] as number,
    capacityA: course.capacityA[step] as number,
    capacityB: course.capacityB[step] as number,
    awake: course.awake[step] as number,
  };
}

/** Room for the course of a run, to be used again and again. */
export function courseFor(environment: Pick<Environment, 'steps'>): CycleCourse {
  const room = () => new Float64Array(environment.steps + 1);
  return {
    ammonia: room(),
    nitrite: room(),
    nitrate: room(),
    organic: room(),
    alkalinity: room(),
    capacityA: room(),
    capacityB: room(),
    awake: room(),
  };
}

/** Alkalinity at which the filter bacteria work at half pace, dKH. */
export const HALF_ALKALINITY = 1.5;
/** The use of alkalinity as a constant of this file: it is read in every step. */
const PER_N = ALKALINITY_PER_N;
/** dKH given back by each mg N/L that is mineralised. */
const ALKALINITY_BACK = 0.2;

/**
 * What is left of a substrate after a step of Monod uptake, solved for the end of the step (backward
 * Euler): positive, never more than there was, and stable for any capacity. `have` mg N/L are there,
 * `most` could be taken in the step with plenty, `half` is the half-saturation.
 */
function leftOver(have: number, most: number, half: number): number {
  const b = half + most - have;
  const root = sqrt(b * b + 4 * half * have);
  // The form without cancellation, whichever sign b has.
  return b > 0 ? (2 * half * have) / (b + root) : (root - b) / 2;
}

/** Nitrite at which sleeping nitrite oxidisers wake at half pace, mg N/L. */
const WAKES_AT = 0.05;

/**
 * Less than this of a substance, mg N/L, goes on to the next at once: numbers near the smallest that
 * a machine holds make it many times slower.
 */
const TRACE = 1e-14;

/** exp(x) for the small steps of an hour, within 1e-7 for |x| up to 0.1 and never below zero. */
function grown(x: number): number {
  return x > -0.3 && x < 0.3
    ? 1 + x * (1 + x * (0.5 + x * (0.16666666666666666 + x * 0.041666666666666664)))
    : exp(x);
}

/**
 * Runs the cycle: mineralisation feeds ammonia, ammonia oxidisers turn it into nitrite, nitrite
 * oxidisers into nitrate; both filter bacteria grow on what they use, up to a ceiling, and decay; the acid
 * they make uses alkalinity, which slows them. Equations in docs/science.md. Nothing is allocated,
 * so an ensemble can share one course.
 * @param start the state before the first step; events at step 0 come on top of it
 * @param until the step to stop at, for those who need no more; the rest of `course` is left as it was
 * @param from the step to go on from; up to it `course` is that of the same run, stopped there
 */
export function runCycle(
  p: CycleParameters,
  environment: Environment,
  events: PackedEvents,
  start: Readonly<CycleState>,
  course: CycleCourse,
  until = environment.steps,
  from = 0,
): void {
  const { stepsPerDay, pace, temperatureRate, freeShare, light } = environment;
  const dt = 1 / stepsPerDay;
  if (from === 0) {
    course.ammonia[0] = start.ammonia;
    course.nitrite[0] = start.nitrite;
    course.nitrate[0] = start.nitrate;
    course.organic[0] = start.organic;
    course.alkalinity[0] = start.alkalinity;
    course.capacityA[0] = start.capacityA;
    course.capacityB[0] = start.capacityB;
    course.awake[0] = start.awake;
  }
  let A = course.ammonia[from] as number;
  let I = course.nitrite[from] as number;
  let N = course.nitrate[from] as number;
  let O = course.organic[from] as number;
  let alk = course.alkalinity[from] as number;
  let Ca = course.capacityA[from] as number;
  let Cb = course.capacityB[from] as number;
  let awake = course.awake[from] as number;
  let next = 0;
  while (next < events.count && (events.step[next] as number) < from) next += 1;
  const denitrified = 1 - exp(-p.denitrification * dt);
  // What a step needs of the parameters: a division in the loop costs as much as the rest of a line.
  const { halfA, halfB, inhibition, growthA, growthB } = p;
  const mineralisation = p.mineralisation * dt;
  const uptake = p.uptake * dt;
  const decayA = p.decayA * dt;
  const decayB = p.decayB * dt;
  const perCeiling = 1 / p.ceiling;
  const waking = dt / p.lag;
  for (let step = from; step < until; step += 1) {
    while (next < events.count && (events.step[next] as number) <= step) {
      const share = events.replaced[next] as number;
      if (share > 0) {
        A += share * ((events.newAmmonia[next] as number) - A);
        I -= share * I;
        N -= share * N;
        O -= share * O;
        const fresh = events.newAlkalinity[next] as number;
        if (fresh === fresh) alk += share * (fresh - alk);
      }
      A = max(0, A + (events.ammonia[next] as number));
      O = max(0, O * (events.organicKept[next] as number) + (events.organic[next] as number));
      const known = events.alkalinityIs[next] as number;
      alk = max(0, (known === known ? known : alk) + (events.alkalinity[next] as number));
      const kept = events.survival[next] as number;
      Ca = Ca * kept + (events.capacityA[next] as number);
      Cb *= kept;
      const added = events.capacityB[next] as number;
      if (added > 0) {
        const working = awake * Cb + (1 - (events.asleep[next] as number)) * added;
        Cb += added;
        awake = working / Cb;
      }
      next += 1;
    }
    const e = ((pace[step] as number) * alk) / (HALF_ALKALINITY + alk);

    const released =
      O < TRACE ? O : O * (1 - grown(-mineralisation * (temperatureRate[step] as number)));
    O -= released;
    A += released;

    // Rounding may leave a hair more than there was.
    let usedA = A < TRACE ? A : max(0, A - leftOver(A, Ca * e * dt, halfA));
    // Acid can't use more alkalinity than there is.
    const affordable = (alk + ALKALINITY_BACK * released) / PER_N;
    if (usedA > affordable) usedA = affordable;
    A -= usedA;
    I += usedA;

    const eB = (e * inhibition) / (inhibition + A * (freeShare[step] as number));
    if (awake < 1) awake = 1 - (1 - awake) * grown((-waking * I) / (I + WAKES_AT));
    const usedB = I < TRACE ? I : max(0, I - leftOver(I, Cb * awake * eB * dt, halfB));
    I -= usedB;
    N += usedB;

    const lost = N * denitrified;
    N -= lost;
    const takenUp = 1 - grown(-uptake * (light[step] as number));
    A -= A * takenUp;
    N -= N * takenUp;
    alk += ALKALINITY_BACK * (released + lost) - PER_N * usedA;
    if (alk < 0) alk = 0;

    // Growth follows what was really used in the step, for each part of the capacity that is there.
    const fedA = Ca > 0 ? usedA / Ca - usedA * perCeiling : 0;
    const fedB = Cb > 0 ? usedB / Cb - usedB * perCeiling : 0;
    Ca *= grown(growthA * fedA - decayA);
    Cb *= grown(growthB * fedB - decayB);

    const at = step + 1;
    course.ammonia[at] = A;
    course.nitrite[at] = I;
    course.nitrate[at] = N;
    course.organic[at] = O;
    course.alkalinity[at] = alk;
    course.capacityA[at] = Ca;
    course.capacityB[at] = Cb;
    course.awake[at] = awake;
  }
}
