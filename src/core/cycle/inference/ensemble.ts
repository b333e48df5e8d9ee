import type { CycleParameters } from '../kinetics/parameters';
import { stateAt } from '../kinetics/run';
import type { CycleState } from '../kinetics/state';
import type { CycleProblem } from '../problem/types';
import { pastEnvironment } from '../problem/conditions';
import { hypothesesFor, type Hypothesis, type HypothesisId } from './hypotheses';
import { CycleModel } from './model';
import { sampleTarget, type Sample } from './smc';

/** One of the tanks that the readings allow: what it is like, and where it stands now. */
export interface Member {
  hypothesis: HypothesisId;
  parameters: CycleParameters;
  now: CycleState;
  /** Bias and zero offset (kit unit) of each kit. */
  bias: Float64Array;
  offset: Float64Array;
  /** Strength of the keeper's doses against their label. */
  strength: number;
  /** Factor on the spread with which cards are read. */
  spread: number;
  /** Factor on the share of ammonia that is free, and on what fish make. */
  free: number;
  fish: number;
  /** Where its particle stands in its hypothesis's sample. */
  particle: number;
}

export interface HypothesisFit {
  hypothesis: Hypothesis;
  sample: Sample;
  /** Weight after the readings; all of them add up to 1. */
  probability: number;
}

export interface Ensemble {
  problem: CycleProblem;
  /** How far on its way the tank seems to be, 0 at its filling to 1 near its end; see `asAsked`. */
  way: number;
  members: Member[];
  fits: HypothesisFit[];
  /** Courses of the past, one row to a member, sampled every `every` steps. */
  past: PastCourses;
  /** Value of each member at each observation, mg N/L; rows of members. */
  atObservations: Float64Array;
}

export interface PastCourses {
  every: number;
  points: number;
  ammonia: Float32Array;
  nitrite: Float32Array;
  nitrate: Float32Array;
  alkalinity: Float32Array;
}

export interface InferenceOptions {
  seed: number;
  /** Particles of the main hypothesis, and of each of the others. */
  particles?: number;
  otherParticles?: number;
  /** Tanks in the ensemble. */
  members?: number;
  /** Weight of all readings together; less than 1 when none of the stories explains them. */
  trust?: number;
  progress?: (share: number) => void;
}

export const DEFAULT_PARTICLES = 240;
const OTHER_PARTICLES = 32;
/** Draws from the prior for each of them: few particles find what explains the readings only among many. */
const OTHER_FIRST = 16;
const MEMBERS = 320;
/**
 * Few particles think too little of a story: the likeliest this many, if they come to this much by
 * few, are sampled again by as many as the main one.
 */
const PROMISING = { stories: 2, from: 0.04 };

function weigh(fits: HypothesisFit[]): void {
  const top = Math.max(...fits.map((f) => f.sample.logEvidence));
  const weights = fits.map((f) => f.hypothesis.prior * Math.exp(f.sample.logEvidence - top));
  const total = weights.reduce((a, b) => a + b, 0);
  fits.forEach((fit, i) => {
    fit.probability = (weights[i] ?? 0) / total;
  });
}

/** How many members each story gets: largest remainders, so that they add up. */
function shares(probabilities: readonly number[], total: number): number[] {
  const exact = probabilities.map((p) => p * total);
  const counts = exact.map(Math.floor);
  const order = exact
    .map((value, index) => ({ rest: value - Math.floor(value), index }))
    .sort((a, b) => b.rest - a.rest || a.index - b.index);
  let left = total - counts.reduce((a, b) => a + b, 0);
  for (const { index } of order) {
    if (left <= 0) break;
    counts[index] = (counts[index] ?? 0) + 1;
    left -= 1;
  }
  return counts;
}

/**
 * Infers a tank from its readings: every story that might be behind them is sampled, weighed by how
 * well it foretold them, and a set of equally likely tanks is drawn from all. Deterministic.
 */
export function inferEnsemble(problem: CycleProblem, options: InferenceOptions): Ensemble {
  return gather(problem, sampleStories(problem, options), options.members ?? MEMBERS);
}

/** Samples every story that might be behind the readings, and weighs them. */
function sampleStories(problem: CycleProblem, options: InferenceOptions): HypothesisFit[] {
  const {
    seed,
    particles = DEFAULT_PARTICLES,
    otherParticles = OTHER_PARTICLES,
    trust = 1,
    progress,
  } = options;
  const environment = pastEnvironment(problem);
  const hypotheses = hypothesesFor(problem);
  const work = particles + otherParticles * (hypotheses.length - 1);
  let done = 0;
  const fitOf = (
    hypothesis: Hypothesis,
    n: number,
    index: number,
    first?: number,
  ): HypothesisFit => {
    const model = new CycleModel(problem, hypothesis, environment);
    const sample = sampleTarget(
      {
        size: model.size,
        logLikelihood: (z, at, atLeast = -Infinity) =>
          trust * model.logLikelihood(z, at, atLeast / trust),
      },
      {
        count: n,
        first,
        seed: (seed * 7919 + index * 104729 + 17) >>> 0,
        progress: (share) => progress?.(Math.min(1, (done + share * n) / work)),
      },
    );
    done += n;
    return { hypothesis, sample, probability: 0 };
  };
  const fits = hypotheses.map((hypothesis, index) =>
    index === 0
      ? fitOf(hypothesis, particles, index)
      : fitOf(hypothesis, otherParticles, index, OTHER_FIRST),
  );
  weigh(fits);
  const promising = fits
    .map((fit, index) => ({ fit, index }))
    .filter(({ fit, index }) => index > 0 && fit.probability >= PROMISING.from)
    .sort((one, other) => other.fit.probability - one.fit.probability)
    .slice(0, PROMISING.stories);
  for (const { fit, index } of promising) {
    fit.sample = fitOf(fit.hypothesis, particles, index + 100).sample;
  }
  weigh(fits);
  return fits;
}

/** Sampling interval of the past courses, steps: half a day. */
const everyFor = (stepsPerDay: number) => Math.max(1, Math.round(stepsPerDay / 2));

/** Draws equally likely tanks from the stories by their weight, and runs each through the past. */
export function gather(problem: CycleProblem, fits: HypothesisFit[], count: number): Ensemble {
  const environment = pastEnvironment(problem);
  const every = everyFor(problem.stepsPerDay);
  const points = Math.floor(problem.steps / every) + 1;
  const past: PastCourses = {
    every,
    points,
    ammonia: new Float32Array(points * count),
    nitrite: new Float32Array(points * count),
    nitrate: new Float32Array(points * count),
    alkalinity: new Float32Array(points * count),
  };
  const { observations } = problem;
  const atObservations = new Float64Array(observations.length * count);
  const members: Member[] = [];
  const counts = shares(
    fits.map((f) => f.probability),
    count,
  );
  fits.forEach((fit, index) => {
    const wanted = counts[index] ?? 0;
    if (wanted === 0) return;
    const model = new CycleModel(problem, fit.hypothesis, environment);
    for (let i = 0; i < wanted; i += 1) {
      const particle = Math.floor(((i + 0.5) / wanted) * fit.sample.count);
      model.run(fit.sample.particles, particle * fit.sample.size);
      const row = members.length;
      for (let point = 0; point < points; point += 1) {
        const step = point * every;
        past.ammonia[row * points + point] = model.course.ammonia[step] as number;
        past.nitrite[row * points + point] = model.course.nitrite[step] as number;
        past.nitrate[row * points + point] = model.course.nitrate[step] as number;
        past.alkalinity[row * points + point] = model.course.alkalinity[step] as number;
      }
      observations.forEach((o, at) => {
        atObservations[row * observations.length + at] = model.course[o.parameter][
          o.index
        ] as number;
      });
      members.push({
        hypothesis: fit.hypothesis.id,
        parameters: { ...model.parameters },
        now: stateAt(model.course, problem.steps),
        bias: model.bias.slice(),
        offset: model.offset.slice(),
        strength: model.strength,
        spread: model.spread,
        free: model.freeFactor,
        fish: model.fish,
        particle,
      });
    }
  });
  return { problem, way: 0, members, fits, past, atObservations };
}

/** The ensemble with the members of the rows given, which may repeat. */
export function subset(ensemble: Ensemble, rows: readonly number[]): Ensemble {
  const { past, problem } = ensemble;
  const pick = (series: Float32Array) => {
    const out = new Float32Array(rows.length * past.points);
    rows.forEach((row, i) =>
      out.set(series.subarray(row * past.points, (row + 1) * past.points), i * past.points),
    );
    return out;
  };
  const count = problem.observations.length;
  const atObservations = new Float64Array(rows.length * count);
  rows.forEach((row, i) =>
    atObservations.set(ensemble.atObservations.subarray(row * count, (row + 1) * count), i * count),
  );
  return {
    ...ensemble,
    members: rows.flatMap((row) => ensemble.members[row] ?? []),
    atObservations,
    past: {
      every: past.every,
      points: past.points,
      ammonia: pick(past.ammonia),
      nitrite: pick(past.nitrite),
      nitrate: pick(past.nitrate),
      alkalinity: pick(past.alkalinity),
    },
  };
}
