import { normalsFrom } from '../../math/normal';
import { seededRandom, type Random } from '../../math/random';
import { choleskyInPlace, shapeOf, type Shape } from './cholesky';

/** What the sampler needs to know of a model: how many numbers a particle has, and how well one fits. */
export interface Target {
  size: number;
  /** May say −Infinity as soon as it is sure to come out below `atLeast`. */
  logLikelihood(z: Float64Array, at: number, atLeast?: number): number;
}

export interface Sample {
  /** `count` particles of `size` numbers each, all of equal weight. */
  particles: Float64Array;
  count: number;
  size: number;
  logLikelihood: Float64Array;
  /** Log of the mean likelihood under the prior: how well the model foretold the readings. */
  logEvidence: number;
  /** Temperatures it went through, and the share of moves that were taken. */
  temperatures: number[];
  accepted: number;
}

/** Particles with how well each fits. */
type Cloud = Pick<Sample, 'particles' | 'logLikelihood'>;

export interface SampleOptions {
  count: number;
  seed: number;
  /** Draws from the prior for each particle that is kept of them. */
  first?: number;
  /** Moves of every particle at each temperature. */
  moves?: number;
  /** Further moves at the end. */
  lastMoves?: number;
  /** Called after each temperature with the share done, 0 to 1. */
  progress?: (share: number) => void;
}

/** Share of the particles that must still count after a step in temperature. */
const KEEP = 0.5;
/** Draws from the prior for each particle: one evaluation each, where a particle takes dozens. */
const FIRST = 8;

/** Log of the mean of exp(scale · values). */
function logMeanExp(values: Float64Array, scale: number): number {
  let top = -Infinity;
  for (const value of values) top = Math.max(top, scale * value);
  let sum = 0;
  for (const value of values) sum += Math.exp(scale * value - top);
  return top + Math.log(sum / values.length);
}

/** Effective share of particles when they are weighted by exp(step · logLikelihood). */
function effectiveShare(logLikelihood: Float64Array, step: number): number {
  let top = -Infinity;
  for (const value of logLikelihood) top = Math.max(top, value);
  let sum = 0;
  let squares = 0;
  for (const value of logLikelihood) {
    const weight = Math.exp(step * (value - top));
    sum += weight;
    squares += weight * weight;
  }
  return (sum * sum) / (squares * logLikelihood.length);
}

/** The longest step in temperature that keeps a share of the particles, by bisection. */
function nextStep(logLikelihood: Float64Array, left: number, keep: number): number {
  if (effectiveShare(logLikelihood, left) >= keep) return left;
  let low = 0;
  let high = left;
  for (let i = 0; i < 40; i += 1) {
    const middle = (low + high) / 2;
    if (effectiveShare(logLikelihood, middle) >= keep) low = middle;
    else high = middle;
  }
  return Math.max(low, 1e-6);
}

/** Draws `sample` from a cloud by weight, one even comb through the sum (systematic resampling). */
function resample(from: Cloud, step: number, random: Random, sample: Cloud): void {
  const { particles, logLikelihood } = from;
  const size = sample.particles.length / sample.logLikelihood.length;
  const count = sample.logLikelihood.length;
  let top = -Infinity;
  for (const value of logLikelihood) top = Math.max(top, value);
  const weights = Float64Array.from(logLikelihood, (value) => Math.exp(step * (value - top)));
  const total = weights.reduce((a, b) => a + b, 0);
  let at = 0;
  let sum = weights[0] as number;
  const first = random();
  for (let to = 0; to < count; to += 1) {
    const mark = ((to + first) / count) * total;
    while (sum < mark && at < weights.length - 1) {
      at += 1;
      sum += weights[at] as number;
    }
    sample.particles.set(particles.subarray(at * size, (at + 1) * size), to * size);
    sample.logLikelihood[to] = logLikelihood[at] as number;
  }
}

/**
 * Samples the posterior by tempered sequential Monte Carlo (Del Moral, Doucet and Jasra 2006): from
 * many draws of the prior to the posterior through temperatures chosen by effective sample size, moving every
 * particle at each. Moves alternate between random walks shaped by the covariance of the ensemble
 * and redraws of some coordinates towards the prior, which keep what no reading speaks of spread as
 * the prior has it. Prior coordinates are standard normal. The same seed gives the same sample.
 */
export function sampleTarget(target: Target, options: SampleOptions): Sample {
  const { count, seed, first = FIRST, moves = 3, lastMoves = 6, progress } = options;
  const { size } = target;
  const random = seededRandom(seed);
  const normal = normalsFrom(random);
  const prior = {
    particles: Float64Array.from({ length: first * count * size }, normal),
    logLikelihood: new Float64Array(first * count),
  };
  for (let p = 0; p < first * count; p += 1) {
    prior.logLikelihood[p] = target.logLikelihood(prior.particles, p * size);
  }
  const particles = new Float64Array(count * size);
  const logLikelihood = new Float64Array(count);
  const sample: Sample = {
    particles,
    count,
    size,
    logLikelihood,
    logEvidence: 0,
    temperatures: [],
    accepted: 0,
  };
  const proposal = new Float64Array(size);
  const draw = new Float64Array(size);
  let tried = 0;
  let taken = 0;
  let turn = 0.6;
  let temperature = 0;

  // Turns a particle about the middle of all, in the shape that all have together. Where the target
  // is as the ensemble's normal shape, every turn is taken, however far (Cotter and others 2013).
  const walk = (p: number, { mean, factor }: Shape): void => {
    const at = p * size;
    const keep = Math.sqrt(1 - turn * turn);
    let ratio = 0;
    for (let i = 0; i < size; i += 1) {
      let sum = (particles[at + i] as number) - (mean[i] as number);
      for (let k = 0; k < i; k += 1) sum -= (factor[i * size + k] as number) * (draw[k] as number);
      draw[i] = sum / (factor[i * size + i] as number);
    }
    for (let i = 0; i < size; i += 1) {
      const was = draw[i] as number;
      const is = keep * was + turn * normal();
      ratio += 0.5 * (is * is - was * was);
      draw[i] = is;
    }
    for (let i = 0; i < size; i += 1) {
      let sum = mean[i] as number;
      for (let k = 0; k <= i; k += 1) sum += (factor[i * size + k] as number) * (draw[k] as number);
      proposal[i] = sum;
      const was = particles[at + i] as number;
      ratio += 0.5 * (was * was - sum * sum);
    }
    judge(p, ratio);
  };

  // Leaves the prior as it is, so only the likelihood is asked (Neal 1998; Cotter and others 2013).
  const refresh = (p: number): void => {
    const at = p * size;
    const turn = 0.3 + 0.6 * random();
    const keep = Math.sqrt(1 - turn * turn);
    for (let i = 0; i < size; i += 1) {
      const was = particles[at + i] as number;
      proposal[i] = random() < 0.35 ? keep * was + turn * normal() : was;
    }
    judge(p, 0);
  };

  const judge = (p: number, logPrior: number): void => {
    // What it has to reach is drawn first, so that the likelihood need not be known beyond that.
    const least = (logLikelihood[p] as number) + (Math.log(1 - random()) - logPrior) / temperature;
    const value = target.logLikelihood(proposal, 0, least);
    tried += 1;
    // Written so that a likelihood that is not a number is never taken.
    if (!(value > least)) return;
    particles.set(proposal, p * size);
    logLikelihood[p] = value;
    taken += 1;
  };

  const moveAll = (rounds: number): void => {
    const shape = shapeOf(particles, count, size);
    choleskyInPlace(shape.factor, size);
    for (let round = 0; round < rounds; round += 1) {
      const before = taken;
      if (round % 2 === 0) {
        for (let p = 0; p < count; p += 1) walk(p, shape);
        // Aim for a quarter of the turns.
        turn = Math.min(0.95, Math.max(0.1, turn * Math.exp((taken - before) / count - 0.25)));
      } else {
        for (let p = 0; p < count; p += 1) refresh(p);
      }
    }
  };

  while (temperature < 1) {
    const from: Cloud =
      temperature === 0
        ? prior
        : { particles: particles.slice(), logLikelihood: logLikelihood.slice() };
    const step = nextStep(
      from.logLikelihood,
      1 - temperature,
      temperature === 0 ? KEEP / first : KEEP,
    );
    sample.logEvidence += logMeanExp(from.logLikelihood, step);
    resample(from, step, random, sample);
    temperature = Math.min(1, temperature + step);
    sample.temperatures.push(temperature);
    moveAll(moves);
    progress?.(0.9 * temperature);
  }
  moveAll(lastMoves);
  progress?.(1);
  sample.accepted = tried > 0 ? taken / tried : 0;
  return sample;
}
