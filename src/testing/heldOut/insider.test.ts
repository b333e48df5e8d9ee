import { seededRandom } from '@/core/math/random';
import { byInsider } from './insider';
import { chanceOfStep, readTestSession, USUAL_STEPS } from './keeper';
import { middlingReef, plainLife } from './plainLife';

describe('the chance of a step', () => {
  const reader = { bias: 1.1, scatter: 0.25, blunder: 0.02 };

  it.each([0, 0.13, 0.7, 6])('adds up to one over the card at %s ppm', (value) => {
    const steps = USUAL_STEPS.nitrite;
    const total = steps.reduce((sum, step) => sum + chanceOfStep(value, steps, step, reader), 0);
    expect(total).toBeCloseTo(1, 9);
  });

  it('is how often a keeper reads it', () => {
    const life = plainLife(middlingReef('bottle'), [{ day: 1, believed: 1.6 }]);
    const { scatter, ...keeper } = { ...life.keeper, scatter: 0.25, blunder: 0.02 };
    const random = seededRandom(8);
    const read = Array.from(
      { length: 4000 },
      () =>
        readTestSession(
          { keeper: { ...keeper, scatter }, course: life.course },
          2,
          { ammonia: true, nitrite: false },
          random,
        ).ammonia,
    );
    const shown = ((life.course.ammonia[48] ?? 0) * 18.039) / 14.007;
    for (const step of USUAL_STEPS.ammonia) {
      const often = read.filter((one) => one === step).length / read.length;
      const chance = chanceOfStep(shown, USUAL_STEPS.ammonia, step, {
        bias: 1,
        scatter,
        blunder: 0.02,
      });
      expect(Math.abs(often - chance)).toBeLessThan(0.025);
    }
  });
});

describe('a forecaster that knows the model', () => {
  const life = plainLife(middlingReef('bottle'), [{ day: 1, believed: 1.6 }]);
  const insider = byInsider(3, 12);

  it('says the same for the same seed, in order, and is near the end', () => {
    const day = 0.9 * life.readyDay;
    const said = insider(life, day);
    expect(insider(life, day)).toEqual(said);
    expect(said.low).toBeLessThanOrEqual(said.middle);
    expect(said.middle).toBeLessThanOrEqual(said.high);
    expect(Math.abs(said.middle - life.readyDay)).toBeLessThan(0.2 * life.readyDay);
  });

  it('knows no cards but the usual ones, and says so', () => {
    const fine = { ...life, keeper: { ...life.keeper, kits: 'fineCards' as const } };
    expect(() => insider(fine, 6)).toThrow(RangeError);
  });

  it('is told nothing that comes after the day it is asked on', () => {
    const cut = {
      ...life,
      testSessions: life.testSessions.filter((testSession) => testSession.day <= 6),
    };
    expect(insider(cut, 6)).toEqual(insider(life, 6));
  });
});
