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

/** Alkalinity at which the colony works at half pace, dKH. */
export const HALF_ALKALINITY = 1.5;
/** dKH used by each mg N/L that is oxidised from ammonia, and given back by what is mineralised. */
export const ALKALINITY_PER_N = 0.4;
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

/** exp(x) for the small steps of an hour, within 2e-6 for |x| up to 0.1 and never below zero. */
function grown(x: number): number {
  return x > -0.5 && x < 0.5 ? (1 + x / 2 + (x * x) / 12) / (1 - x / 2 + (x * x) / 12) : exp(x);
}

/**
 * Runs the cycle: mineralisation feeds ammonia, ammonia oxidisers turn it into nitrite, nitrite
 * oxidisers into nitrate; both colonies grow on what they use, up to a ceiling, and decay; the acid
 * they make uses alkalinity, which slows them. Equations in docs/science.md. Nothing is allocated,
 * so an ensemble can share one course.
 * @param start the state before the first step; events at step 0 come on top of it
 * @param until the step to stop at, for those who need no more; the rest of `course` is left as it was
 */
export function runCycle(
  p: CycleParameters,
  environment: Environment,
  events: PackedEvents,
  start: Readonly<CycleState>,
  course: CycleCourse,
  until = environment.steps,
): void {
  const { stepsPerDay, pace, warmth, freeShare, light } = environment;
  const dt = 1 / stepsPerDay;
  let A = start.ammonia;
  let I = start.nitrite;
  let N = start.nitrate;
  let O = start.organic;
  let alk = start.alkalinity;
  let Ca = start.capacityA;
  let Cb = start.capacityB;
  let awake = start.awake;
  let next = 0;
  const denitrified = 1 - exp(-p.denitrification * dt);
  course.ammonia[0] = A;
  course.nitrite[0] = I;
  course.nitrate[0] = N;
  course.organic[0] = O;
  course.alkalinity[0] = alk;
  course.capacityA[0] = Ca;
  course.capacityB[0] = Cb;
  course.awake[0] = awake;
  const waking = dt / p.lag;
  for (let step = 0; step < until; step += 1) {
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

    const rate = p.mineralisation * (warmth[step] as number) * dt;
    const released = O < TRACE ? O : O * (1 - grown(-rate));
    O -= released;
    A += released;

    const leftA = leftOver(A, Ca * e * dt, p.halfA);
    // Rounding may leave a hair more than there was.
    let usedA = A < TRACE ? A : max(0, A - leftA);
    // Acid can't use more alkalinity than there is.
    const affordable = (alk + ALKALINITY_BACK * released) / ALKALINITY_PER_N;
    if (usedA > affordable) usedA = affordable;
    A -= usedA;
    I += usedA;

    const free = A * (freeShare[step] as number);
    const eB = e / (1 + free / p.inhibition);
    if (awake < 1) awake = 1 - (1 - awake) * grown((-waking * I) / (I + WAKES_AT));
    const leftB = leftOver(I, Cb * awake * eB * dt, p.halfB);
    const usedB = I < TRACE ? I : max(0, I - leftB);
    I -= usedB;
    N += usedB;

    const lost = N * denitrified;
    N -= lost;
    const takenUp = 1 - grown(-p.uptake * (light[step] as number) * dt);
    A -= A * takenUp;
    N -= N * takenUp;
    alk += ALKALINITY_BACK * (released + lost) - ALKALINITY_PER_N * usedA;
    if (alk < 0) alk = 0;

    // Growth follows what was really used: used / (capacity × dt) is the rate per capacity.
    const fedA = Ca > 0 ? usedA / (Ca * dt) : 0;
    const fedB = Cb > 0 ? usedB / (Cb * dt) : 0;
    Ca *= grown(dt * (p.growthA * fedA * (1 - Ca / p.ceiling) - p.decayA));
    Cb *= grown(dt * (p.growthB * fedB * (1 - Cb / p.ceiling) - p.decayB));

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
