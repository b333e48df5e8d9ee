import fc from 'fast-check';
import { day, dayOf, ensembleOf, problemOn, type Told } from '../../../testing/ensembles';
import { SAFE } from '../verdict/assurance';
import { assuranceOf } from './assurance';

const problem = problemOn(10, (log) => {
  log.dose(day(1), 1.6);
  log.ammonia(day(9), 0);
  log.nitrite(day(9), 0);
});
const assured = (...tanks: Told[]) => assuranceOf(ensembleOf(problem, tanks));
const colony = (capacityB: number, decayB = 0.06): Told => ({
  now: { capacityA: 2, capacityB },
  parameters: { decayB },
});

describe('what is sure of a tank', () => {
  it('is all of it for a colony that is large and lasts', () => {
    expect(assured(colony(2))).toMatchObject({ stays: 1, carries: 1, suspect: null });
  });

  it('is the share of the tanks that its readings allow', () => {
    const standing: Told = { now: { nitrite: 2 * SAFE, capacityB: 0.01 } };
    expect(assured(standing, colony(2))).toMatchObject({ stays: 0.5, carries: 0.5 });
  });

  it('is not that a colony too small carries a fish', () => {
    expect(assured(colony(0.02))).toMatchObject({ stays: 1, carries: 0, carriesUntil: null });
  });

  it('lapses unfed, the sooner the quicker the colony decays', () => {
    const until = (decay: number) => dayOf(assured(colony(0.8, decay)).carriesUntil);
    expect(until(0.2)).toBeGreaterThanOrEqual(10);
    expect(until(0.2)).toBeLessThan(until(0.1));
    expect(until(0.1)).toBeLessThan(40);
  });

  it('is never more than of a larger colony', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.05, max: 1, noNaN: true }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        (capacity, more) => {
          const [small, large] = [assured(colony(capacity)), assured(colony(capacity + more))];
          expect(small.carries).toBeLessThanOrEqual(large.carries);
        },
      ),
      { numRuns: 25 },
    );
  });
});
