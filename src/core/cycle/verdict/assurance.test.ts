import fc from 'fast-check';
import { bandsOf, tankHistory, verdictOf, type DoneRuleChoice } from '../..';
import { logOf } from '../../../testing/heldOut/keeper';
import { middlingReef, plainLife } from '../../../testing/heldOut/plainLife';
import { DAY, FILLED, LogBuilder, onDay, type TestTank } from '../../../testing/logBuilder';
import { ASSURED } from '../../../testing/assured';
import { assure, cycleProblem } from '../forecast';
import { cycleSentence } from '../words/cycleSentence';
import { todaySentence } from '../words/todaySentence';
import type { Assurance } from './assurance';

const bands = bandsOf('mixedReef', {});
const HELD: DoneRuleChoice = { rule: 'bothZeroHeld', daysAtZero: 7 };
const CHALLENGE: DoneRuleChoice = { rule: 'challenge', windowHours: 24 };
const SMALL = { seed: 1, particles: 120, otherParticles: 16, members: 120 };

/** A tank whose evidence is complete under the challenge on day 28, and under a span at zero. */
function shown(doneRule: DoneRuleChoice, tank: Partial<TestTank> = {}): LogBuilder {
  const log = new LogBuilder({ doneRule, ...tank });
  log.dose(onDay(1), 2, { substance: 'bacteria', amount: { by: 'mL', mL: 100 } });
  log.dose(onDay(1), 2);
  for (const [day, ammonia, nitrite] of [
    [2, 2, 0],
    [6, 1, 1],
    [9, 0, 2],
    [12, 0, 5],
    [16, 0, 1],
    [18, 0, 0],
    [20, 0, 0],
  ] as const) {
    log.ammonia(onDay(day), ammonia);
    log.nitrite(onDay(day), nitrite);
  }
  log.nitrate(onDay(20), 10);
  log.dose(onDay(27), 2);
  log.ammonia(onDay(28), 0);
  log.nitrite(onDay(28), 0);
  log.conditions(onDay(28));
  return log;
}

function judged(log: LogBuilder, at: number, assurance: Assurance | null) {
  const history = tankHistory(log.log(), log.tankId, at);
  const verdict = verdictOf(history, at, bands, assurance);
  return {
    ...verdict,
    history,
    last: verdict.criteria.find((c) => c.id === 'forecastAgrees'),
    today: todaySentence(history, verdict, bands),
    cycle: cycleSentence(history, verdict),
  };
}

const AT = onDay(28, 13);

describe('evidence grants, knowledge may withhold', () => {
  it('calls nothing ready before the forecast has answered', () => {
    const verdict = judged(shown(HELD), AT, null);
    expect(verdict).toMatchObject({ granted: true, cycled: false, ready: false });
    expect(verdict.last).toMatchObject({ state: 'cannot tell', settle: expect.any(String) });
    expect(verdict.today.title).toBe('Cannot tell for a moment.');
    expect(verdict.cycle.title).toBe('Cannot tell for a moment.');
  });

  it('calls it ready once nothing that is known speaks against it', () => {
    expect(judged(shown(HELD), AT, ASSURED)).toMatchObject({ cycled: true, ready: true });
  });

  test.each([
    [
      { stays: 0.4 },
      /about 4 in 10 .* stay low for a week/,
      /Test both again/,
      'Not yet ready for fish.',
    ],
    [
      { stays: 0.96 },
      /more than 9 in 10 .* stay low for a week, and 49 in 50/,
      /Test both again/,
      'Not yet ready for fish.',
    ],
    [
      { carries: 0.4 },
      /about 4 in 10 .* first small fish is carried, and 49 in 50/,
      /Dose 2 ppm/,
      'One test to go.',
    ],
    [{ repeats: 0.4 }, /about 4 in 10 .* gone in time again/, /Dose 2 ppm/, 'One test to go.'],
  ])('withholds at %j, with its reason and what settles it', (doubt, because, settle, title) => {
    const verdict = judged(shown(CHALLENGE), AT, { ...ASSURED, ...doubt, suspect: 'x is so' });
    expect(verdict).toMatchObject({ granted: true, cycled: false, ready: false });
    expect(verdict.last).toMatchObject({
      state: 'not yet',
      because: expect.stringMatching(because),
      settle: expect.stringMatching(settle),
    });
    expect(verdict.last?.because).toContain('x is so');
    expect(verdict.today.title).toBe(title);
    if (verdict.proof === null) expect(verdict.cycle.detail).toMatch(because);
  });

  it('says until when a fish would be carried, and a repeat would pass', () => {
    const verdict = judged(shown(CHALLENGE), AT, {
      ...ASSURED,
      carriesUntil: onDay(34),
      repeatsUntil: onDay(35),
    });
    expect(verdict.last?.because).toMatch(
      /nothing feeds the filter bacteria, .* carried until about 5 Apr and .* passes until about 6 Apr/,
    );
  });

  it('is not asked where a criterion is open', () => {
    expect(judged(shown(HELD), onDay(17), ASSURED).last).toBeUndefined();
  });

  it('is asked of a tank that is marked as running too: the mark proves nothing', () => {
    const running = judged(shown(HELD, { runningSince: '2026-03-20' }), AT, null);
    expect(running.last).toMatchObject({ id: 'forecastAgrees', state: 'cannot tell' });
    expect(running.last?.because).toMatch(/marked as running/);
    expect([running.cycled, running.ready]).toEqual([false, false]);
    const weak = judged(shown(HELD, { runningSince: '2026-03-20' }), AT, {
      ...ASSURED,
      carries: 0.5,
    });
    expect(weak.ready).toBe(false);
  });

  it('never makes ready what the evidence does not', () => {
    const log = shown(CHALLENGE);
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 1, noNaN: true }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        fc.integer({ min: 1, max: 40 }),
        (stays, repeats, day) => {
          const verdict = judged(log, onDay(day), { ...ASSURED, stays, repeats });
          expect(verdict.ready && !verdict.granted).toBe(false);
        },
      ),
      { numRuns: 60 },
    );
  });
});

describe('what the forecast says of a tank that tests call ready', () => {
  const DOSES = [1, 11, 17, 21, 24, 27].map((day) => ({ day, believed: 1.6 }));
  // Its last dose was clear within two days, and not within one.
  const life = plainLife(middlingReef('bottle'), DOSES, { every: 1, days: 29 });
  const assured = (
    day: number,
    change: (log: LogBuilder) => void = () => {},
    windowHours: 24 | 48 = 48,
  ) => {
    const log = logOf(life, day, { doneRule: { rule: 'challenge', windowHours } });
    change(log);
    const at = FILLED + day * DAY;
    return assure(cycleProblem(tankHistory(log.log(), log.tankId, at), at), SMALL);
  };

  it('is the surer of a repeat the sooner it would be, and says until when', () => {
    const now = assured(29.5);
    expect(now).toMatchObject({ stays: 1, carries: 1, repeats: 1 });
    // For weeks: the days asked for end at thirty.
    expect(now.carriesUntil ?? Infinity).toBeGreaterThanOrEqual(FILLED + 50 * DAY);
    const until = ((now.repeatsUntil ?? 0) - FILLED) / DAY;
    expect(until).toBeGreaterThan(33);
    expect(until).toBeLessThan(45);
    const later = assured(53);
    expect(later.repeats).toBeLessThan(0.6);
    expect(later.repeatsUntil).toBeNull();
    expect(later.carries).toBeGreaterThan(0.9);
  });

  it('knows that the size asked for was not shown', () => {
    expect(assured(29.5, () => {}, 24).repeats).toBeLessThan(0.3);
  });

  it('doubts filter bacteria that were treated, however it tested before', () => {
    const bleached = assured(29.5, (log) =>
      log.entry(FILLED + 29 * DAY, { kind: 'treatment', agent: 'bleach' }),
    );
    expect(bleached.repeats).toBeLessThan(0.2);
  });

  it('knows of what rots, an animal that died among it', () => {
    const rotting = assured(29.5, (log) => {
      log.entry(FILLED + 29 * DAY, { kind: 'treatment', agent: 'bleach' });
      log.entry(FILLED + 29.2 * DAY, {
        kind: 'animals',
        move: 'died',
        group: 'fish',
        what: 'Fish',
        grams: 60,
      });
    });
    expect(rotting.stays).toBeLessThan(0.2);
  });
});

describe('a passed challenge', () => {
  const state = (log: LogBuilder, at: number) =>
    judged(log, at, ASSURED).criteria.find((c) => c.id === 'challengePassed');

  it('lasts as long as the filter bacteria are kept fed', () => {
    const log = shown(CHALLENGE);
    expect(state(log, onDay(41))?.state).toBe('met');
    expect(state(log, onDay(42))).toMatchObject({
      state: 'cannot tell',
      because: expect.stringMatching(/14 days from 29 Mar/),
    });
    log.dose(onDay(38), 0.5);
    expect(state(log, onDay(50))?.state).toBe('met');
    expect(state(log, onDay(53))?.state).toBe('cannot tell');
  });

  it('is not kept up by food that came too late', () => {
    const log = shown(CHALLENGE);
    log.dose(onDay(45), 0.5);
    expect(state(log, onDay(46))?.state).toBe('cannot tell');
  });

  it('is kept up by fish', () => {
    const log = shown(CHALLENGE);
    log.entry(onDay(30), { kind: 'animals', move: 'in', group: 'fish', what: 'Fish', count: 1 });
    expect(state(log, onDay(60))?.state).toBe('met');
  });
});
