import { normalCdf } from '../../math/normal';
import { tankHistory } from '../../history/derive';
import { DAY_MS } from '../../time/zone';
import { FILLED, LogBuilder } from '../../../testing/logBuilder';
import { cycleProblem } from '../problem/problem';
import { choleskyInPlace, shapeOf } from './cholesky';
import { inferEnsemble } from './ensemble';
import { hypothesesFor } from './hypotheses';
import { CycleModel } from './model';
import { chanceOfReading } from './reading';
import { sampleTarget } from './smc';

const day = (n: number) => FILLED + n * DAY_MS;
const CARD = [0, 0.25, 0.5, 1, 2, 4];
const kit = { card: true, half: 0.125, sigma: 0.25 };

function cellsOf(steps: readonly number[]): [number, number][] {
  return steps.map((step, i) => [
    i === 0 ? 0 : ((steps[i - 1] ?? 0) + step) / 2,
    i === steps.length - 1 ? Infinity : (step + (steps[i + 1] ?? 0)) / 2,
  ]);
}

describe('the normal distribution', () => {
  it.each([
    [0, 0.5],
    [1, 0.841344746],
    [-1.959963985, 0.025],
    [3, 0.998650102],
  ])('at %d is %d', (x, p) => expect(normalCdf(x)).toBeCloseTo(p, 6));
});

describe('the chance of a card step', () => {
  it('adds up to one over the card, whatever the true value', () => {
    for (const value of [0, 0.05, 0.3, 0.7, 1.5, 3, 12]) {
      const sum = cellsOf(CARD)
        .map(([low, high]) => chanceOfReading(kit, value, low, high))
        .reduce((a, b) => a + b, 0);
      expect(sum).toBeCloseTo(1, 6);
    }
  });

  it('is highest at the step nearest to it, and the top step is open', () => {
    const best = (value: number) => {
      const chances = cellsOf(CARD).map(([low, high]) => chanceOfReading(kit, value, low, high));
      return CARD[chances.indexOf(Math.max(...chances))];
    };
    expect(best(0)).toBe(0);
    expect(best(0.27)).toBe(0.25);
    expect(best(1.1)).toBe(1);
    expect(best(40)).toBe(4);
  });
});

describe('the sampler', () => {
  it('finds a Gaussian posterior and its evidence', () => {
    // Prior N(0, 1) in each, one measurement of each at 2 with error 0.5.
    const sd = 0.5;
    const target = {
      size: 3,
      logLikelihood: (z: Float64Array, at: number) => {
        let sum = 0;
        for (let i = 0; i < 3; i += 1) sum -= ((z[at + i] ?? 0) - 2) ** 2 / (2 * sd * sd);
        return sum - 3 * Math.log(sd * Math.sqrt(2 * Math.PI));
      },
    };
    const sample = sampleTarget(target, { count: 1500, seed: 3, moves: 4, lastMoves: 6 });
    const column = (i: number) =>
      Array.from({ length: 1500 }, (_, p) => sample.particles[p * 3 + i] ?? 0);
    for (let i = 0; i < 3; i += 1) {
      const values = column(i);
      const mean = values.reduce((a, b) => a + b, 0) / values.length;
      const variance = values.reduce((a, b) => a + (b - mean) ** 2, 0) / values.length;
      expect(mean).toBeCloseTo(2 / (1 + sd * sd), 1);
      expect(Math.sqrt(variance)).toBeCloseTo(Math.sqrt((sd * sd) / (1 + sd * sd)), 1);
    }
    const total = 1 + sd * sd;
    const evidence = 3 * (-0.5 * Math.log(2 * Math.PI * total) - 4 / (2 * total));
    expect(Math.abs(sample.logEvidence - evidence)).toBeLessThan(0.3);
  });

  it('comes to the same where a likelihood stops at what can no longer be taken', () => {
    const full = (z: Float64Array, at: number) => -8 * ((z[at] ?? 0) - 1) ** 2;
    let stopped = 0;
    const stopping = (z: Float64Array, at: number, atLeast = -Infinity) => {
      const value = full(z, at);
      if (value >= atLeast) return value;
      stopped += 1;
      return -Infinity;
    };
    const options = { count: 200, seed: 9 };
    const sample = sampleTarget({ size: 2, logLikelihood: stopping }, options);
    expect(sample).toEqual(sampleTarget({ size: 2, logLikelihood: full }, options));
    expect(stopped).toBeGreaterThan(200);
  });

  it('keeps to the prior where nothing is known, and to its seed always', () => {
    const flat = { size: 2, logLikelihood: () => 0 };
    const one = sampleTarget(flat, { count: 2000, seed: 5 });
    const mean = one.particles.reduce((a, b) => a + b, 0) / one.particles.length;
    expect(Math.abs(mean)).toBeLessThan(0.06);
    expect(one.temperatures).toEqual([1]);
    expect(sampleTarget(flat, { count: 2000, seed: 5 }).particles).toEqual(one.particles);
    expect(sampleTarget(flat, { count: 2000, seed: 6 }).particles).not.toEqual(one.particles);
  });

  it('never takes what has no likelihood', () => {
    const sample = sampleTarget(
      { size: 1, logLikelihood: (z, at) => ((z[at] ?? 0) > 0 ? 0 : -50) },
      { count: 300, seed: 1, moves: 4 },
    );
    expect(Array.from(sample.particles).every((value) => value > 0)).toBe(true);
  });

  it('factors a covariance', () => {
    const points = Float64Array.from([1, 2, 2, 3.5, 3, 7, 4, 7.5, 5, 11]);
    const { mean, factor: matrix } = shapeOf(points, 5, 2);
    expect(Array.from(mean)).toEqual([3, 6.2]);
    const factor = matrix.slice();
    choleskyInPlace(factor, 2);
    expect((factor[0] ?? 0) ** 2).toBeCloseTo(matrix[0] ?? 0, 9);
    expect((factor[2] ?? 0) * (factor[0] ?? 0)).toBeCloseTo(matrix[2] ?? 0, 9);
    expect((factor[2] ?? 0) ** 2 + (factor[3] ?? 0) ** 2).toBeCloseTo(matrix[3] ?? 0, 9);
  });
});

describe('the ensemble', () => {
  const bottled = () => {
    const log = new LogBuilder();
    log.digital('alkalinityDrops', day(0.5), 8.2);
    log.digital('thermometer', day(0.5), 25.5);
    log.entry(day(1), {
      kind: 'dose',
      substance: 'bacteria',
      amount: { by: 'mL', mL: 100 },
      strength: null,
      about: false,
    });
    log.dose(day(1), 1.6);
    return log;
  };
  const problemAt = (log: LogBuilder, at: number) =>
    cycleProblem(tankHistory(log.log(), log.tankId, day(at)), day(at));
  const small = { seed: 2, particles: 120, otherParticles: 24, members: 120 };
  const medianOf = (values: number[]) =>
    [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)] ?? 0;

  it('learns that filter bacteria are large from ammonia that falls early', () => {
    const early = bottled();
    early.ammonia(day(1.2), 2);
    early.ammonia(day(3), 0.5);
    early.ammonia(day(4), 0);
    const late = bottled();
    late.ammonia(day(1.2), 2);
    late.ammonia(day(3), 2);
    late.ammonia(day(4), 2);
    const capacity = (log: LogBuilder) =>
      medianOf(inferEnsemble(problemAt(log, 4.2), small).members.map((m) => m.now.capacityA));
    expect(capacity(early)).toBeGreaterThan(3 * capacity(late));
  });

  it('takes a kit for dead that showed nitrite once and never again, and not one that saw it go', () => {
    const log = bottled();
    log.ammonia(day(2), 2);
    log.nitrite(day(4), 2);
    const seen = bottled();
    seen.ammonia(day(2), 2);
    for (const [at, step] of [
      [4, 2],
      [7, 2],
    ] as const) {
      seen.nitrite(day(at), step);
    }
    for (const both of [log, seen]) {
      for (const at of [9, 12, 15]) both.nitrite(day(at), 0);
      both.ammonia(day(15), 0);
    }
    const dead = (tank: LogBuilder) =>
      inferEnsemble(problemAt(tank, 16), small).fits.find(
        ({ hypothesis }) => hypothesis.id === 'nitriteKitDead',
      );
    const story = dead(log);
    expect(story?.hypothesis.deadAfter).toBeGreaterThan(0);
    expect(story?.probability).toBeGreaterThan(0.02);
    expect(dead(seen)).toBeUndefined();
    // A trace on the way up is one reading as well.
    const trace = bottled();
    trace.ammonia(day(2), 2);
    trace.nitrite(day(4), 0.25);
    for (const at of [9, 12, 15]) trace.nitrite(day(at), 0);
    trace.ammonia(day(15), 0);
    expect(dead(trace)?.probability).toBeGreaterThan(0.02);
    // Another kit that reads zero as well speaks against it.
    for (const at of [12.5, 15.5]) {
      log.card('nitriteCard', day(at), 0, { kit: { name: 'The kit of a shop' } });
    }
    expect(dead(log)?.probability ?? 0).toBeLessThan(story?.probability ?? 0);
  });

  it('weighs every story, and all of them add up to one', () => {
    const log = bottled();
    for (const at of [2, 4, 6]) {
      log.ammonia(day(at), 2);
      log.nitrite(day(at), 0);
    }
    const problem = problemAt(log, 7);
    expect(hypothesesFor(problem).map((h) => h.id)).toEqual([
      'nothingUnusual',
      'weakDose',
      'deadBottle',
      'filterBacteriaHarmed',
      'unloggedDose',
      'ammoniaKit',
      'nitriteKit',
      'nitriteKitDead',
    ]);
    const { fits, members } = inferEnsemble(problem, small);
    expect(fits.reduce((sum, f) => sum + f.probability, 0)).toBeCloseTo(1, 9);
    expect(members).toHaveLength(120);
  });

  it('blames a dead bottle when ammonia stands for weeks', () => {
    const log = bottled();
    for (const at of [2, 5, 8, 11, 14]) {
      log.ammonia(day(at), 2);
      log.nitrite(day(at), 0);
    }
    const { fits } = inferEnsemble(problemAt(log, 14.5), small);
    const chance = (id: string) => fits.find((f) => f.hypothesis.id === id)?.probability ?? 0;
    expect(chance('deadBottle')).toBeGreaterThan(0.4);
    expect(chance('deadBottle')).toBeGreaterThan(chance('weakDose'));
  });

  it('puts a hidden dose in its place among the others', () => {
    const log = bottled();
    log.ammonia(day(2), 2);
    log.ammonia(day(3), 2);
    const problem = problemAt(log, 6);
    const hypothesis = hypothesesFor(problem).find((h) => h.id === 'unloggedDose');
    if (!hypothesis) throw new Error('not weighed');
    const model = new CycleModel(problem, hypothesis);
    const z = new Float64Array(model.size);
    model.run(z, 0);
    const middle = Math.floor(0.5 * Math.max(...problem.observations.map((o) => o.index)));
    const before = model.course.ammonia[middle] ?? 0;
    const after = model.course.ammonia[middle + 1] ?? 0;
    expect(after - before).toBeGreaterThan(1);
  });
});
