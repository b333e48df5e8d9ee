import fc from 'fast-check';
import { day, problemOn } from '../../../testing/ensembles';
import type { CycleProblem } from '../problem/types';
import { forecastOf } from '../forecast';
import { layoutOf } from './coordinates';
import { inferEnsemble } from './ensemble';
import { hypothesesFor, type HypothesisId } from './hypotheses';
import { CycleModel } from './model';

const problem = problemOn(12, (log) => {
  log.digital('alkalinityDrops', day(0.5), 8);
  log.entry(day(1), {
    kind: 'dose',
    substance: 'bacteria',
    amount: { by: 'mL', mL: 50 },
    strength: null,
    about: false,
  });
  log.dose(day(1.1), 2);
  for (const at of [2, 5, 8, 11]) {
    log.ammonia(day(at), 1);
    log.nitrite(day(at), 0.5);
  }
});

function modelOf(id: HypothesisId, of: CycleProblem = problem): CycleModel {
  const hypothesis = hypothesesFor(of).find((h) => h.id === id);
  if (!hypothesis) throw new Error(`${id} is not weighed`);
  return new CycleModel(of, hypothesis);
}

/** The course at the medians of the prior. */
function typical(id: HypothesisId, z?: (model: CycleModel) => Float64Array) {
  const model = modelOf(id);
  model.run(z?.(model) ?? new Float64Array(model.size), 0);
  return model;
}

const stepOf = (at: number) => Math.round(at * problem.stepsPerDay);
const total = ({ course }: CycleModel, step: number) =>
  (course.ammonia[step] ?? 0) + (course.nitrite[step] ?? 0) + (course.nitrate[step] ?? 0);

describe('what stands at the start of a window', () => {
  const stuck = problemOn(160, (log) => {
    log.dose(day(1), 2);
    for (let at = 50; at <= 158; at += 6) {
      log.ammonia(day(at), 2);
      log.nitrite(day(at), 0);
    }
  });

  it('is unknown, and not zero', () => {
    expect(stuck.windowed).toBe(true);
    const model = modelOf('nothingUnusual', stuck);
    const z = new Float64Array(model.size);
    z[model.layout.standingA] = 2;
    model.run(z, 0);
    expect(model.course.ammonia[0]).toBeGreaterThan(1);
    expect(modelOf('nothingUnusual').layout.standingA).toBe(-1);
  });

  it('keeps a hundred days of ammonia from being called cleared', () => {
    const forecast = forecastOf(stuck, {
      seed: 1,
      particles: 120,
      otherParticles: 16,
      members: 120,
    });
    expect(forecast.milestones.ammoniaClears.p10 ?? Infinity).toBeGreaterThanOrEqual(day(157));
    const [first] = forecast.stall;
    expect(first?.cause).not.toBe('simplyEarly');
  });
});

describe('new water whose alkalinity nobody measured', () => {
  it('brings what new salt water usually has', () => {
    const changed = problemOn(12, (log) => {
      log.digital('alkalinityDrops', day(9), 3);
      log.waterChange(day(10), 93);
    });
    const model = modelOf('nothingUnusual', changed);
    model.run(new Float64Array(model.size), 0);
    expect(model.course.alkalinity.at(-1)).toBeGreaterThan(7);
    expect(model.course.alkalinity.at(-1)).toBeLessThan(9);
  });
});

describe('the spread of a reader', () => {
  it('is learned: who reads all over the card is taken to', () => {
    const spreadOf = (steps: readonly number[]) => {
      const read = problemOn(20, (log) => {
        steps.forEach((step, n) => log.ammonia(day(2 + n), step));
        log.dose(day(1), 1.5);
      });
      const { members } = inferEnsemble(read, { seed: 1, particles: 160, otherParticles: 8 });
      return members.reduce((sum, m) => sum + m.spread, 0) / members.length;
    };
    const steady = spreadOf([2, 2, 2, 2, 2, 2, 2, 2, 1, 1, 1, 1]);
    const wild = spreadOf([1, 4, 2, 1, 4, 1, 4, 2, 0.5, 2, 0.5, 2]);
    expect(wild).toBeGreaterThan(steady * 1.1);
  });
});

describe('the stories weighed', () => {
  it('are only those that the log gives room for', () => {
    const ids = (build: Parameters<typeof problemOn>[1]) =>
      hypothesesFor(problemOn(12, build)).map((h) => h.id);
    expect(ids(() => undefined)).toEqual(['nothingUnusual']);
    const tested = ids((log) => {
      for (const at of [2, 4]) log.ammonia(day(at), 1);
    });
    expect(tested).toEqual([
      'nothingUnusual',
      'filterBacteriaHarmed',
      'unloggedDose',
      'ammoniaKit',
    ]);
  });

  it('suspect an expired kit sooner', () => {
    const prior = (expiresOn: string) =>
      hypothesesFor(
        problemOn(12, (log) => {
          for (const at of [2, 4]) log.card('ammoniaCard', day(at), 1, { kit: { expiresOn } });
        }),
      ).find((h) => h.id === 'ammoniaKit')?.prior ?? 0;
    expect(prior('2026-03-01')).toBeGreaterThan(prior('2027-03-01'));
  });
});

describe('a particle', () => {
  it('is typical at the medians, and clears what was dosed', () => {
    const model = typical('nothingUnusual');
    expect(model.course.ammonia[stepOf(1.5)]).toBeGreaterThan(1.5);
    expect(model.course.ammonia[stepOf(11)]).toBeLessThan(0.1);
    expect(model.strength).toBe(1);
    expect(Array.from(model.bias)).toEqual(problem.kits.map(() => 1));
  });

  it('with a weak bottle of ammonia gets less of every dose', () => {
    const [plain, weak] = [typical('nothingUnusual'), typical('weakDose')];
    const rise = (model: CycleModel) => total(model, stepOf(1.5)) - total(model, stepOf(0.9));
    expect(rise(weak) / rise(plain)).toBeCloseTo(0.35, 1);
    expect(weak.strength).toBeCloseTo(0.35, 6);
  });

  it('with a dead bottle of bacteria grows as from bare rock', () => {
    const [plain, dead] = [typical('nothingUnusual'), typical('deadBottle')];
    expect(dead.course.capacityA[stepOf(2)]).toBeLessThan(
      (plain.course.capacityA[stepOf(2)] ?? 0) / 10,
    );
    expect(dead.course.ammonia[stepOf(9)]).toBeGreaterThan(1);
  });

  it('that was harmed loses its filter bacteria, and no nitrogen', () => {
    const [plain, harmed] = [typical('nothingUnusual'), typical('filterBacteriaHarmed')];
    expect(harmed.course.capacityA[stepOf(11)]).toBeLessThan(
      plain.course.capacityA[stepOf(11)] ?? 0,
    );
    expect(total(harmed, stepOf(11))).toBeCloseTo(total(plain, stepOf(11)), 1);
  });

  it('with a kit that is off has the same water, and other readings', () => {
    const [plain, off] = [
      typical('nothingUnusual'),
      typical('ammoniaKit', (model) => {
        const z = new Float64Array(model.size);
        z[model.layout.extra] = 1;
        return z;
      }),
    ];
    expect(off.course.ammonia).toEqual(plain.course.ammonia);
    const kit = problem.kits.findIndex((k) => k.parameter === 'ammonia');
    expect(off.bias[kit]).toBeCloseTo(Math.exp(0.9), 6);
    expect(off.bias[1 - kit]).toBe(1);
  });

  it('with more of its ammonia free harms its nitrite oxidisers more', () => {
    const at = (value: number) =>
      typical('nothingUnusual', (model) => {
        const z = new Float64Array(model.size);
        z[model.layout.free] = value;
        return z;
      });
    const [little, much] = [at(-2), at(2)];
    expect(much.freeFactor).toBeGreaterThan(little.freeFactor);
    expect(much.parameters.inhibition).toBeLessThan(little.parameters.inhibition);
    expect(much.course.capacityB[stepOf(8)]).toBeLessThan(little.course.capacityB[stepOf(8)] ?? 0);
  });

  it('keeps the two sides of one seed together', () => {
    const { coordinates } = layoutOf(problem);
    for (const [one, other] of [
      ['capacityA', 'capacityB'],
      ['bottleA', 'bottleB'],
    ]) {
      const index = coordinates.findIndex((c) => c.id === one);
      const joined = coordinates.find((c) => c.id === other)?.with;
      expect(joined).toEqual({ index, correlation: 0.5 });
    }
  });
});

describe('the likelihood', () => {
  const logLikelihood = (id: HypothesisId, z: number[] = []) => {
    const model = modelOf(id);
    const full = new Float64Array(model.size);
    z.forEach((value, i) => (full[i] = value));
    return model.logLikelihood(full, 0);
  };

  it('is higher for a tank that would have been read so', () => {
    const quick = problemOn(8, (log) => {
      log.dose(day(1), 2);
      log.ammonia(day(2), 0);
      log.ammonia(day(3), 0);
    });
    const model = new CycleModel(quick, { id: 'nothingUnusual', prior: 1, extra: [], kit: -1 });
    const z = new Float64Array(model.size);
    const slow = model.logLikelihood(z, 0);
    // Ten thousand times the usual filter bacteria of dry rock.
    z[model.layout.capacityA] = Math.log(1e4) / 1.4;
    expect(model.logLikelihood(z, 0)).toBeGreaterThan(slow + 3);
  });

  it('is a number whatever the particle, and costs no reading more than a blunder', () => {
    const least = problem.observations.length * Math.log(0.02 / 6);
    fc.assert(
      fc.property(
        fc.constantFrom<HypothesisId>('nothingUnusual', 'weakDose', 'unloggedDose', 'nitriteKit'),
        fc.array(fc.double({ min: -4, max: 4, noNaN: true }), { minLength: 16, maxLength: 16 }),
        (id, z) => {
          const value = logLikelihood(id, z);
          expect(Number.isFinite(value)).toBe(true);
          expect(value).toBeGreaterThanOrEqual(least - 1e-9);
          expect(value).toBeLessThanOrEqual(0);
        },
      ),
      { numRuns: 60 },
    );
  });

  it('is the same in full, and given up only where it would come out below what is asked', () => {
    let given = 0;
    for (const hypothesis of hypothesesFor(problem)) {
      const model = new CycleModel(problem, hypothesis);
      fc.assert(
        fc.property(
          fc.array(fc.double({ min: -3, max: 3, noNaN: true }), {
            minLength: model.size,
            maxLength: model.size,
          }),
          fc.double({ min: -60, max: 0, noNaN: true }),
          (numbers, atLeast) => {
            const z = Float64Array.from(numbers);
            const full = model.logLikelihood(z, 0);
            const asked = model.logLikelihood(z, 0, atLeast);
            if (asked === full) return;
            given += 1;
            expect(asked).toBe(-Infinity);
            expect(full).toBeLessThan(atLeast);
          },
        ),
        { numRuns: 60 },
      );
    }
    expect(given).toBeGreaterThan(20);
  });
});
