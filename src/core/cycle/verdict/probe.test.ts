import fc from 'fast-check';
import type { CriterionId } from '../..';
import { judge } from '../../../testing/assured';
import { LogBuilder, onDay } from '../../../testing/logBuilder';
import { tankHistory } from '../../history/derive';
import { cycleProblem } from '../problem/problem';
import { testsOf } from '../problem/observations';
import { verdictHoldsUntil } from './until';
import { ammoniaReadings, isProbed, probedAmmonia } from './probe';

interface Told {
  /** What the probe shows in the night before the dose and in the one after it, mg NH3-N/L. */
  before?: number;
  after?: number;
  /** Days of the dose and of the keeper's last own test of ammonia, and the step that it read. */
  dosed?: number;
  tested?: number;
  read?: number;
  ph?: number;
  /** The probe that shows the last nights is another than that which rose. */
  renewed?: boolean;
  /** What it shows in the last nights. */
  shows?: number;
}

const LAST = 27;
const NOW = onDay(LAST, 18);

/** A cycle that ran its course, of which the last week's ammonia was shown by a probe alone. */
function probed(told: Told = {}): LogBuilder {
  const { before = 0.001, after = 0.09, dosed = 1, tested = 20, read = 0 } = told;
  const { ph = 8.3, renewed = false, shows = 0.001 } = told;
  const log = new LogBuilder();
  const night = (day: number, value: number, name = 'Probe') => {
    log.digital('freeAmmoniaProbe', onDay(day, 3), value, { readBy: 'instrument', name });
    log.digital('phPen', onDay(day, 3), ph, { readBy: 'instrument' });
  };
  night(dosed, before);
  log.dose(onDay(dosed, 12), 2);
  night(dosed + 1, after);
  log.ammonia(onDay(dosed + 1), 2);
  log.nitrite(onDay(9), 2);
  if (tested > 9) log.ammonia(onDay(tested, 9), read);
  log.nitrite(onDay(20), 0);
  for (let day = 20; day <= LAST; day += 1) night(day, shows, renewed ? 'New probe' : 'Probe');
  log.nitrite(onDay(LAST), 0);
  log.conditions(onDay(LAST));
  return log;
}

const stateOf = (log: LogBuilder, id: CriterionId) =>
  judge(log, NOW).criteria.find((criterion) => criterion.id === id)?.state;
const historyOf = (log: LogBuilder) => tankHistory(log.log(), log.tankId, NOW);

describe('a probe of free ammonia that rose with a dose and agrees with a test', () => {
  it('shows the zeros of ammonia that the verdict asks for', () => {
    const verdict = judge(probed(), NOW);
    expect(verdict.criteria.find(({ id }) => id === 'ammoniaZero')).toMatchObject({
      state: 'met',
      because: expect.stringMatching(
        /^A probe that rose with a dose and agreed with your own test/,
      ),
    });
    expect(stateOf(probed(), 'zeroHeld')).toBe('met');
    expect(verdict.ready).toBe(true);
  });

  it('goes stale by its last word, not by the traces that it shows since', () => {
    const log = probed();
    log.digital('freeAmmoniaProbe', onDay(29, 5), 0.012, { readBy: 'instrument', name: 'Probe' });
    const stale = onDay(LAST + 3, 3);
    const history = tankHistory(log.log(), log.tankId, stale);
    expect(verdictHoldsUntil(history, stale - 3_600_000)).toBe(stale + 1);
  });

  it('breaks the run of zeros where it shows ammonia', () => {
    const log = probed();
    log.digital('freeAmmoniaProbe', onDay(24, 5), 0.06, { readBy: 'instrument', name: 'Probe' });
    expect(stateOf(log, 'zeroHeld')).toBe('not yet');
    expect(stateOf(probed({ shows: 0.06, tested: LAST }), 'ammoniaZero')).toBe('not yet');
  });

  it.each<[string, Told]>([
    ['never rose', { after: 0.001 }],
    ['stood as high before the dose', { before: 0.085 }],
    ['rose too long ago for a film that ages', { dosed: -12 }],
    ['was renewed since', { renewed: true }],
    ['differs from the last test', { read: 1 }],
    ['was held against no test for two weeks', { tested: 0 }],
    ['stands in water whose pH leaves more open than a kit does', { ph: 7.9 }],
  ])('shows none where it %s', (_, told) => {
    const log = probed(told);
    expect(stateOf(log, 'ammoniaZero')).not.toBe('met');
    expect(judge(log, NOW).ready).toBe(false);
  });

  it('is held against a colorimeter that speaks, and against no shop', () => {
    const held = (readBy: 'instrument' | 'shop') => {
      const log = probed({ tested: 0 });
      const scale = {
        form: 'digital',
        resolution: 0.01,
        accuracy: 0.05,
        compensated: true,
      } as const;
      log.digital('ammoniaCard', onDay(20, 9), 0.02, { unit: 'ammonia N', scale, readBy });
      return stateOf(log, 'ammoniaZero');
    };
    expect(held('instrument')).toBe('met');
    expect(held('shop')).not.toBe('met');
  });

  it('shows no zero whatever it reads where it was never seen to rise', () => {
    fc.assert(
      fc.property(
        fc.record({
          before: fc.double({ min: 0, max: 0.004, noNaN: true }),
          shows: fc.double({ min: 0, max: 0.004, noNaN: true }),
          ph: fc.double({ min: 7.6, max: 8.6, noNaN: true }),
          tested: fc.integer({ min: 10, max: LAST }),
        }),
        (told) => {
          const log = probed({ ...told, after: told.before + 0.001 });
          expect(probedAmmonia(historyOf(log))).toEqual([]);
        },
      ),
      { numRuns: 40 },
    );
  });
});

describe('what a probe says of ammonia', () => {
  it('is its figure by the share of free ammonia at the pH of that hour, as wide as pH leaves it', () => {
    const [shown] = probedAmmonia(historyOf(probed())).filter(({ zero }) => zero === false);
    // 0.09 mg/L at pH 8.3 and 25.5 °C, where 8.3 % of it is free; pH may be off by 0.1.
    expect(shown?.best).toBeCloseTo(1.09, 1);
    expect(shown?.range.low).toBeLessThan(0.9);
    expect(shown?.range.high).toBeGreaterThan(1.3);
  });

  it('feeds the forecast, counts for less than a test, and is no test of the keeper', () => {
    const log = probed();
    const problem = cycleProblem(historyOf(log), NOW);
    const own = cycleProblem(historyOf(probed({ after: 0.001 })), NOW);
    expect(problem.observations.length).toBeGreaterThan(own.observations.length);
    const probe = problem.observations.filter(({ kit }) => problem.kits[kit]?.probe);
    expect(probe.length).toBeGreaterThanOrEqual(8);
    for (const { parameter, weight } of probe) {
      expect(parameter).toBe('ammonia');
      expect(weight).toBeLessThan(0.5);
    }
    expect(testsOf(problem)).toHaveLength(own.observations.length);
  });

  it('leaves a tank without a probe as it was', () => {
    const log = new LogBuilder();
    log.ammonia(onDay(2), 2);
    const history = historyOf(log);
    expect(ammoniaReadings(history)).toEqual(history.readings.ammonia);
    expect(ammoniaReadings(historyOf(probed())).filter(isProbed).length).toBeGreaterThan(0);
  });
});
