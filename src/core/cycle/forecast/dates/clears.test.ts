import { day, ensembleOf, problemOn, type Told } from '../../../../testing/ensembles';
import { phPace } from '../../kinetics/environment';
import { clearsNow } from './clears';

const at = (conditions: { temperature?: number; ph?: number }, now: Told['now'] = {}) => {
  const problem = problemOn(10, (log) => {
    log.dose(day(1), 1.6);
    log.digital('thermometer', day(9), conditions.temperature ?? 26);
    log.digital('phPen', day(9), conditions.ph ?? 8.2);
  });
  const tank = { now: { capacityA: 2, capacityB: 1, alkalinity: 8, ...now } };
  const { ammonia, nitrite } = clearsNow(problem, ensembleOf(problem, [tank]).members);
  return { ammonia: ammonia[0] ?? 0, nitrite: nitrite[0] ?? 0 };
};

describe('what a tank clears here and now', () => {
  it('is its capacity at 26 °C, but for the alkalinity that it has', () => {
    // Half pace at 1.5 dKH: 8 / (1.5 + 8).
    expect(at({}).ammonia).toBeCloseTo((phPace(8.2) * 2 * 8) / 9.5, 6);
    expect(at({}).nitrite).toBeCloseTo((phPace(8.2) * 8) / 9.5, 6);
    expect(at({}, { alkalinity: 1.5 }).ammonia).toBeCloseTo(phPace(8.2), 6);
  });

  it('is less where it is cold or sour', () => {
    expect(at({ temperature: 20 }).ammonia).toBeCloseTo(at({}).ammonia * 1.07 ** -6, 6);
    expect(at({ ph: 7 }).ammonia).toBeLessThan(at({}).ammonia);
  });

  it('is of nitrite only what is awake', () => {
    expect(at({}, { awake: 0.25 }).nitrite).toBeCloseTo(at({}).nitrite / 4, 9);
    expect(at({}, { awake: 0.25 }).ammonia).toBe(at({}).ammonia);
  });
});
