import { LogBuilder, onDay } from '../../testing/logBuilder';
import { bandsOf } from '../parameters/bands';
import { tankHistory } from '../history/derive';
import type { NextTest } from './forecast/types';
import { conditionTestSession, nextTestSession } from './nextTestSession';

const bands = bandsOf('mixedReef', {});
const next: NextTest = {
  parameter: 'nitrite',
  parameters: ['ammonia', 'nitrite'],
  at: onDay(22),
  inDays: 2,
  because: 'A zero would show it.',
  dose: 0,
  gain: 0,
  purpose: 'confirm',
  outcomes: [],
  idle: [],
};

function testSessionOf(build: (log: LogBuilder) => void, changes: Partial<NextTest> = {}) {
  const log = new LogBuilder();
  build(log);
  const history = tankHistory(log.log(), log.tankId, onDay(20));
  return nextTestSession({ ...next, ...changes }, history, bands, onDay(20));
}

describe('where no test of ammonia or nitrite is asked for', () => {
  const asked = (build: (log: LogBuilder) => void) => {
    const log = new LogBuilder();
    build(log);
    return conditionTestSession(tankHistory(log.log(), log.tankId, onDay(20)), bands, onDay(20));
  };

  it('alkalinity alone is asked for, with the soda that raises it', () => {
    const testSession = asked((log) => log.conditions(onDay(20), 5.5));
    expect(testSession).toMatchObject({ parameters: ['alkalinity'], raise: { now: 5.5 } });
    expect(testSession?.because).toMatch(
      /^Ammonia and nitrite need no test now; alkalinity does\./,
    );
    expect(testSession?.because).toMatch(/Also raise alkalinity.*baking soda/);
  });

  it('nothing is, once all is in order', () => {
    expect(asked((log) => log.conditions(onDay(20)))).toBeNull();
  });
});

describe('the test session of the next test', () => {
  it('names the conditions that nobody measured, or too long ago, where it is a proof', () => {
    const all = ['ammonia', 'nitrite', 'alkalinity', 'salinity', 'temperature'];
    expect(testSessionOf(() => undefined).parameters).toEqual(all);
    expect(testSessionOf((log) => log.conditions(onDay(2))).parameters).toEqual(all);
    expect(testSessionOf((log) => log.conditions(onDay(20))).parameters).toEqual(next.parameters);
    const learning = testSessionOf(() => undefined, { purpose: 'learn', parameters: ['nitrite'] });
    expect(learning.parameters).toEqual(['nitrite']);
  });

  it('names what was out of order when it was last measured', () => {
    const { parameters } = testSessionOf((log) => {
      log.conditions(onDay(20), 5.9);
      log.digital('thermometer', onDay(20), 28);
    });
    expect(parameters).toEqual([...next.parameters, 'alkalinity', 'temperature']);
  });

  it('says to raise alkalinity that the doses have used up, and by how much', () => {
    const dosed = testSessionOf((log) => {
      log.conditions(onDay(8), 8);
      for (const day of [9, 13, 17]) log.dose(onDay(day), 1.6);
    });
    // 8 − 3 × 0.64 = 6.08; 2.42 dKH × 0.03 g × 100 L = 7.26 g, by no more than 1.4 dKH a day.
    // Its test is still young enough to speak; what was raised is looked at again.
    expect(dosed.parameters.slice(2)).toEqual(['alkalinity', 'salinity', 'temperature']);
    expect(dosed.raise).toMatchObject({ grams: expect.closeTo(7.26, 2), days: 2, tested: false });
    expect(dosed.because).toBe(
      'A zero would show it. Also raise alkalinity, about 6.1 dKH now, to 8.5, by at most 1.4 a day: filter bacteria short of it slow down. About 7.3 g of baking soda over 2 days, reckoned from what went in since its last test: test it first.',
    );
    expect(testSessionOf((log) => log.conditions(onDay(20)))).toMatchObject({
      raise: null,
      because: next.because,
    });
  });
});
