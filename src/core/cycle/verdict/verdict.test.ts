import { DONE_RULES, type CriterionId, type DoneRuleChoice, type Verdict } from '../..';
import { HOUR, LogBuilder, type TestTank, onDay } from '../../../testing/logBuilder';
import { judge } from '../../../testing/assured';

function stateOf(verdict: Verdict, id: CriterionId) {
  return verdict.criteria.find((criterion) => criterion.id === id)?.state;
}

/** A cycle that ran its course: dosed, ammonia and nitrite seen, both zero on days 20 to 27. */
function finished(tank: Partial<TestTank> = {}): LogBuilder {
  const builder = new LogBuilder(tank);
  builder.dose(onDay(1), 2);
  builder.ammonia(onDay(2), 2);
  builder.ammonia(onDay(9), 0);
  builder.nitrite(onDay(9), 2);
  builder.ammonia(onDay(20), 0);
  builder.nitrite(onDay(20), 0);
  builder.ammonia(onDay(27), 0);
  builder.nitrite(onDay(27), 0);
  builder.conditions(onDay(27));
  return builder;
}

const NOW = onDay(27, 18);
const doneRule = (choice: DoneRuleChoice) => ({ doneRule: choice });

describe('a cycle that ran its course', () => {
  it('is ready once both zeros were held', () => {
    const verdict = judge(finished(), NOW);
    expect(verdict.criteria.filter((c) => c.role !== 'supports' && c.state !== 'met')).toEqual([]);
    expect(verdict.ready).toBe(true);
  });

  it('is withheld by free ammonia that a probe shows, while it shows it, and granted by none', () => {
    const probed = (value: number, at = onDay(27, 4)) => {
      const builder = finished();
      builder.digital('freeAmmoniaProbe', at, value, { readBy: 'instrument' });
      return judge(builder, NOW);
    };
    const withheld = probed(0.05);
    expect(stateOf(withheld, 'ammoniaZero')).toBe('not yet');
    expect(withheld.ready).toBe(false);
    expect(withheld.criteria.find(({ id }) => id === 'ammoniaZero')?.because).toMatch(
      /one of the two is wrong/,
    );
    // Below what harms, within what the probe may be off by, or days ago.
    expect(probed(0.018).ready).toBe(true);
    expect(probed(0.05, onDay(23)).ready).toBe(true);
    // A zero of it stands for no test of ammonia.
    const untested = new LogBuilder();
    untested.dose(onDay(1), 2);
    untested.digital('freeAmmoniaProbe', onDay(27, 4), 0);
    expect(stateOf(judge(untested, NOW), 'ammoniaZero')).toBe('cannot tell');
  });

  it('is not ready a day before the hold is over', () => {
    const verdict = judge(finished(), onDay(22));
    expect(stateOf(verdict, 'zeroHeld')).toBe('not yet');
    expect(verdict.ready).toBe(false);
  });

  it('needs a fortnight where the keeper chose one', () => {
    const builder = finished(doneRule({ rule: 'bothZeroHeld', daysAtZero: 14 }));
    expect(judge(builder, NOW).ready).toBe(false);
  });

  it('holds over a trace that a weekly meal leaves and that is gone the next day, and over no other', () => {
    const held = (after: (builder: LogBuilder, day: number) => void) => {
      const builder = new LogBuilder(doneRule({ rule: 'bothZeroHeld', daysAtZero: 14 }));
      builder.dose(onDay(1), 2);
      builder.ammonia(onDay(2), 2);
      builder.ammonia(onDay(9), 0);
      builder.nitrite(onDay(9), 2);
      for (const day of [20, 24, 30, 34]) {
        builder.ammonia(onDay(day), 0);
        builder.nitrite(onDay(day), 0);
      }
      for (const day of [22, 29]) after(builder, day);
      builder.conditions(onDay(34));
      return stateOf(judge(builder, onDay(34, 18)), 'zeroHeld');
    };
    const trace = (gone: number, step: number) => (builder: LogBuilder, day: number) => {
      builder.nitrite(onDay(day), step);
      builder.nitrite(onDay(day) + gone * HOUR, 0);
    };
    expect(held(trace(24, 0.5))).toBe('met');
    // Two days later, or more than a trace, and the days begin anew.
    expect(held(trace(48, 0.5))).toBe('not yet');
    expect(held(trace(24, 2))).toBe('not yet');
  });

  it('is ready sooner by the rule for done that asks for one day', () => {
    const builder = finished(doneRule({ rule: 'bothZero' }));
    builder.conditions(onDay(20));
    expect(judge(builder, onDay(20, 18)).ready).toBe(true);
  });

  it('goes stale: three days without a test, and nobody can tell', () => {
    const verdict = judge(finished(), onDay(31));
    expect(stateOf(verdict, 'ammoniaZero')).toBe('cannot tell');
    expect(verdict.ready).toBe(false);
  });

  it('is not ready without a lid or a verified heater, and says that it is cycled', () => {
    for (const gate of [{ lid: false }, { heaterVerifiedOn: null }]) {
      const verdict = judge(finished(gate as Partial<TestTank>), NOW);
      expect(verdict.cycled).toBe(true);
      expect(verdict.ready).toBe(false);
    }
  });

  it('opens again with a dose that nobody tested after', () => {
    const builder = finished();
    builder.dose(onDay(27, 14), 2);
    expect(stateOf(judge(builder, NOW), 'dosesAccounted')).toBe('not yet');
    expect(judge(builder, NOW).ready).toBe(false);
  });

  it('opens again with a trace of nitrite, which is not zero', () => {
    const builder = finished();
    builder.nitrite(onDay(27, 16), [0, 0.25]);
    const verdict = judge(builder, NOW);
    expect(stateOf(verdict, 'nitriteZero')).toBe('not yet');
    expect(stateOf(verdict, 'zeroHeld')).toBe('not yet');
  });
});

describe('the conditions', () => {
  const withCondition = (log: (builder: LogBuilder) => void) => {
    const builder = finished();
    log(builder);
    return judge(builder, NOW);
  };

  it('hold a cycle back when out of range', () => {
    expect(
      stateOf(
        withCondition((b) => b.digital('alkalinityDrops', NOW, 5.9)),
        'alkalinity',
      ),
    ).toBe('not yet');
    expect(
      stateOf(
        withCondition((b) => b.digital('alkalinityDrops', NOW, 6)),
        'alkalinity',
      ),
    ).toBe('met');
    expect(
      stateOf(
        withCondition((b) => b.digital('refractometer', NOW, 31)),
        'salinity',
      ),
    ).toBe('not yet');
    expect(
      stateOf(
        withCondition((b) => b.digital('thermometer', NOW, 29)),
        'temperature',
      ),
    ).toBe('not yet');
  });

  it('cannot be told when nobody measured them', () => {
    const builder = new LogBuilder();
    builder.ammonia(onDay(1), 0);
    const verdict = judge(builder, onDay(1, 18));
    for (const id of ['alkalinity', 'salinity', 'temperature'] as const) {
      expect(stateOf(verdict, id)).toBe('cannot tell');
    }
  });
});

describe('the chain', () => {
  it('is not shown by zeros alone', () => {
    const builder = new LogBuilder();
    for (const day of [1, 8, 15, 22]) {
      builder.ammonia(onDay(day), 0);
      builder.nitrite(onDay(day), 0);
    }
    builder.conditions(onDay(22));
    const verdict = judge(builder, onDay(22, 18));
    expect(stateOf(verdict, 'zeroHeld')).toBe('met');
    expect(stateOf(verdict, 'ammoniaUsed')).toBe('not yet');
    expect(stateOf(verdict, 'nitriteSeen')).toBe('not yet');
    expect(verdict.ready).toBe(false);
  });

  it('is not shown by a fall that a water change explains', () => {
    const fallen = (change: boolean) => {
      const builder = new LogBuilder();
      builder.ammonia(onDay(1), 2);
      if (change) builder.waterChange(onDay(2), 60);
      builder.ammonia(onDay(3), 1);
      return stateOf(judge(builder, onDay(4)), 'ammoniaUsed');
    };
    expect(fallen(false)).toBe('met');
    expect(fallen(true)).toBe('not yet');
  });

  it('is shown by nitrite, which only used ammonia makes', () => {
    const builder = new LogBuilder();
    builder.nitrite(onDay(3), 0.5);
    expect(stateOf(judge(builder, onDay(4)), 'ammoniaUsed')).toBe('met');
  });

  it('does not rest on an expired kit', () => {
    const builder = finished();
    const kit = { expiresOn: '2026-03-01' };
    builder.card('nitriteCard', onDay(27, 16), 0, { kit });
    expect(stateOf(judge(builder, NOW), 'nitriteZero')).toBe('cannot tell');
  });

  it('does not count nitrate that was read through nitrite', () => {
    const builder = new LogBuilder();
    builder.nitrite(onDay(9), 2);
    builder.nitrate(onDay(9), 20);
    expect(stateOf(judge(builder, onDay(9, 18)), 'nitrateSeen')).toBe('cannot tell');
    builder.nitrite(onDay(20), 0);
    builder.nitrate(onDay(20), 20);
    expect(stateOf(judge(builder, onDay(20, 18)), 'nitrateSeen')).toBe('met');
  });
});

describe('the challenge', () => {
  const mature = (hours: number, after: { a: number; n: number; ppm?: number }) => {
    const builder = new LogBuilder(doneRule({ rule: 'challenge', windowHours: 24 }));
    builder.conditions(onDay(10));
    builder.dose(onDay(10), after.ppm ?? 2);
    builder.ammonia(onDay(10) + hours * HOUR, after.a);
    builder.nitrite(onDay(10) + hours * HOUR, after.n);
    return builder;
  };
  const now = onDay(11, 20);

  it('proves a mature seed that never showed the chain', () => {
    const verdict = judge(mature(24, { a: 0, n: 0 }), now);
    expect(stateOf(verdict, 'challengePassed')).toBe('met');
    expect(stateOf(verdict, 'nitriteSeen')).toBe('met');
    expect(verdict.ready).toBe(true);
  });

  it.each([
    ['nitrite is left', mature(24, { a: 0, n: 0.25 }), 'not yet'],
    ['the dose was too small', mature(24, { a: 0, n: 0, ppm: 1 }), 'not yet'],
    ['it was tested before it mixed', mature(1, { a: 0, n: 0 }), 'cannot tell'],
    ['it was tested too late', mature(30, { a: 0, n: 0 }), 'cannot tell'],
  ] as const)('is not passed when %s', (_why, builder, state) => {
    expect(stateOf(judge(builder, now), 'challengePassed')).toBe(state);
    expect(judge(builder, now).ready).toBe(false);
  });

  it('is not passed by a water change', () => {
    const builder = mature(24, { a: 0, n: 0 });
    builder.waterChange(onDay(10, 20), 50);
    expect(stateOf(judge(builder, now), 'challengePassed')).toBe('cannot tell');
  });

  it('does not last: unfed filter bacteria dwindle', () => {
    const builder = mature(24, { a: 0, n: 0 });
    expect(stateOf(judge(builder, onDay(30)), 'challengePassed')).toBe('cannot tell');
  });

  it('tells an unknown strength from a missing dose', () => {
    const builder = new LogBuilder(doneRule({ rule: 'challenge', windowHours: 24 }));
    builder.dose(onDay(3), 2, { amount: { by: 'mL', mL: 5 } });
    expect(stateOf(judge(builder, onDay(4)), 'challengePassed')).toBe('cannot tell');
  });
});

describe('the other rules for done', () => {
  it('by nitrate: waits for a rise, then for it to level', () => {
    const builder = finished(doneRule({ rule: 'nitrateLevel' }));
    builder.nitrate(onDay(20), 5);
    builder.nitrate(onDay(27), 10);
    expect(stateOf(judge(builder, NOW), 'nitrateLevel')).toBe('not yet');
    builder.nitrate(onDay(33), 10);
    builder.nitrite(onDay(33), 0);
    expect(stateOf(judge(builder, onDay(33, 18)), 'nitrateLevel')).toBe('met');
  });

  it('by the bottle: its days, and still the tests', () => {
    const builder = finished(doneRule({ rule: 'bottleProgramme', programmeDays: 14 }));
    expect(stateOf(judge(builder, NOW), 'programmeDone')).toBe('cannot tell');
    builder.dose(onDay(1), 1, { substance: 'bacteria', amount: { by: 'mL', mL: 100 } });
    expect(stateOf(judge(builder, onDay(10)), 'programmeDone')).toBe('not yet');
    expect(stateOf(judge(builder, NOW), 'programmeDone')).toBe('met');
    expect(judge(builder, onDay(16)).ready).toBe(false);
  });

  it('by algae: says what it will need', () => {
    const verdict = judge(finished(doneRule({ rule: 'algaeSuccession' })), NOW);
    const criterion = verdict.criteria.find((c) => c.id === 'algaeSuccession');
    expect(criterion?.state).toBe('cannot tell');
    expect(criterion?.because).toMatch(/diatoms/);
    expect(verdict.ready).toBe(false);
  });

  it.each(DONE_RULES.map((s) => s.id))('%s says what would settle every open criterion', (id) => {
    const choices: Record<string, DoneRuleChoice> = {
      bothZero: { rule: 'bothZero' },
      bothZeroHeld: { rule: 'bothZeroHeld', daysAtZero: 7 },
      challenge: { rule: 'challenge', windowHours: 24 },
      nitrateLevel: { rule: 'nitrateLevel' },
      bottleProgramme: { rule: 'bottleProgramme', programmeDays: 14 },
      algaeSuccession: { rule: 'algaeSuccession' },
    };
    const choice = choices[id];
    if (!choice) throw new Error(`no choice for ${id}`);
    for (const builder of [new LogBuilder(doneRule(choice)), finished(doneRule(choice))]) {
      for (const criterion of judge(builder, onDay(24)).criteria) {
        expect(criterion.because).not.toBe('');
        expect(criterion.settle === undefined).toBe(criterion.state === 'met');
      }
    }
  });
});

/** Any log a keeper could make in forty days: sloppy, doubled, out of order. */
