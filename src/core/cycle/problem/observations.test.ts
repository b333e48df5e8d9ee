import { day, problemOn } from '../../../testing/ensembles';
import { HOUR_MS } from '../../time/zone';
import { FILLED, LogBuilder, type TestTank } from '../../../testing/logBuilder';
import { StepOrder } from './steps';

const problemOf = (build: (log: LogBuilder) => void, at = 20, tank: Partial<TestTank> = {}) =>
  problemOn(at, build, tank);

describe('readings as observations', () => {
  it('see a dose made before them in the same two hours, and not one made after', () => {
    const order = new StepOrder(FILLED, 12);
    const before = order.readingIndex(day(1) + 0.2 * HOUR_MS);
    const dose = order.eventStep(day(1) + 0.4 * HOUR_MS);
    const after = order.readingIndex(day(1) + 0.6 * HOUR_MS);
    // A course at index i is the state before the events of step i.
    expect(dose).toBeGreaterThanOrEqual(before);
    expect(after).toBeGreaterThan(dose);
  });

  it('leaves nitrate out while nitrite spoils it, and halves it otherwise', () => {
    const problem = problemOf((log) => {
      log.nitrite(day(5), 2);
      log.nitrate(day(5), 10);
      log.nitrite(day(15), 0);
      log.nitrate(day(15), 10);
    });
    const nitrate = problem.observations.filter((o) => o.parameter === 'nitrate');
    expect(nitrate.map((o) => o.weight)).toEqual([0.5]);
  });

  it('counts ammonia for less while a binder is in the water, and expired kits as more of a guess', () => {
    const problem = problemOf((log) => {
      log.dose(day(2), 1, {
        substance: 'ammoniaBinder',
        amount: { by: 'mL', mL: 5 },
        strength: null,
      });
      log.ammonia(day(2.5), 1);
      log.card('ammoniaCard', day(9), 1, { kit: { expiresOn: '2026-03-05' } });
    });
    const [bound, old] = problem.observations;
    expect(bound?.weight).toBeLessThan(1);
    expect(old?.blunder).toBeGreaterThan(0.02);
    expect(old?.wider).toBeGreaterThan(1);
  });

  it('does not mind the order in which they were entered', () => {
    const one = problemOf((log) => {
      log.ammonia(day(2), 2);
      log.ammonia(day(4), 1);
    });
    const other = problemOf((log) => {
      log.ammonia(day(4), 1);
      log.ammonia(day(2), 2);
    });
    const bare = (p: typeof one) => p.observations.map(({ index, low }) => ({ index, low }));
    expect(bare(other)).toEqual(bare(one));
  });
});
