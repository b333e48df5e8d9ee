import fc from 'fast-check';
import { dose, doseRise } from '../../records/kinds/dose';
import type { Dose } from '../../history/tankHistory';
import { tankHistory } from '../../history/derive';
import type { DoseStrength } from '../../records/kinds/dose';
import { DAY, HOUR, LogBuilder, onDay, TEST_TANK } from '../../../testing/logBuilder';
import { alkalinityDue, alkalinityRaise } from './alkalinityRaise';
import { amountForRise, organicsForRise } from './amount';
import { challengeRun } from './challengeRun';
import { endSteps } from './endSteps';
import { playMethod } from './methods';
import { programmeSchedule, programmeStanding } from './programme';

const LABEL: DoseStrength = {
  by: 'label',
  amount: 20,
  unit: 'drop',
  litres: 10,
  gives: 2,
  basis: 'ammonia NH4',
};
const historyOf = (log: LogBuilder, at: number) => tankHistory(log.log(), log.tankId, at);

describe('the line of a dose', () => {
  it('tells drops that were measured in mL as well, and those that were counted by their number', () => {
    const line = (drops: number) =>
      dose.line(
        {
          kind: 'dose',
          tankId: TEST_TANK,
          at: '2026-11-24T12:00:00+00:00',
          substance: 'ammoniumChloride',
          amount: { by: 'drops', drops, dropMl: 0.05 },
          strength: null,
          about: false,
        } as never,
        { netLitres: 100 } as never,
      );
    expect(line(416)).toBe('416 drops (21 mL)');
    expect(line(59)).toBe('59 drops');
  });
});

describe('the amount for a rise', () => {
  it('is what the label says for its own water', () => {
    const amount = amountForRise((2 * 14.007) / 18.039, 10, {
      substance: 'ammoniumChloride',
      strength: LABEL,
    });
    expect(amount?.drops).toBeCloseTo(20, 2);
    expect(amount?.mL).toBeCloseTo(1, 3);
  });

  it('weighs the dry salt: 3.819 g for each gram of nitrogen', () => {
    const amount = amountForRise(2, 100, {
      substance: 'ammoniumChloride',
      strength: { by: 'pure' },
    });
    expect(amount?.grams).toBeCloseTo(0.2 * 3.819, 3);
  });

  it('is the inverse of what a logged dose is worth', () => {
    const strengths = fc.constantFrom<DoseStrength>(LABEL, { by: 'percent', percent: 10 });
    fc.assert(
      fc.property(
        strengths,
        fc.double({ min: 0.1, max: 4, noNaN: true }),
        fc.double({ min: 10, max: 900, noNaN: true }),
        fc.constantFrom('ammoniumChloride' as const, 'householdAmmonia' as const),
        (strength, rise, litres, substance) => {
          const amount = amountForRise(rise, litres, { substance, strength });
          const drops = amount?.drops ?? 0;
          const back = doseRise(
            { substance, strength, amount: { by: 'drops', drops, dropMl: 0.05 } },
            litres,
          );
          expect(back).toBeCloseTo(rise, 6);
        },
      ),
    );
  });

  it('of food and prawn follows their nitrogen', () => {
    expect(organicsForRise(2, 100, 'prawn')).toBeCloseTo(200 / 30, 6);
    expect(organicsForRise(2, 100, 'pellets')).toBeCloseTo(200 / 72, 6);
  });
});

describe('a bottle’s programme', () => {
  const label = { firstMl: 50, laterMl: 10, every: 2, days: 7 };

  it('is dated and scaled to the net water, and ends with a test', () => {
    const steps = programmeSchedule(label, 208, onDay(0), 'UTC');
    expect(steps[0]).toMatchObject({ day: 0, kind: 'bacteria', mL: 104 });
    expect(steps.filter((s) => s.kind === 'bacteria').map((s) => s.day)).toEqual([0, 2, 4, 6]);
    expect(steps.at(-1)).toMatchObject({ day: 7, kind: 'end' });
    expect((steps.at(-1)?.at ?? 0) - onDay(0)).toBe(7 * DAY);
  });

  it('asks for the dose that was missed, else the next, and a test of both at its end', () => {
    const log = new LogBuilder({ programme: label });
    const bacteria = (at: number) =>
      log.entry(at, {
        kind: 'dose',
        substance: 'bacteria',
        amount: { by: 'mL', mL: 20 },
        strength: null,
        about: false,
      });
    const asked = (at: number) =>
      programmeStanding(historyOf(log, at), at).map((s) => [s.kind, s.day]);
    expect(asked(onDay(0))).toEqual([]);
    bacteria(onDay(0));
    expect(asked(onDay(0, 20))).toEqual([
      ['bacteria', 2],
      ['end', 7],
    ]);
    // The dose of day 2 was missed; on day 3 it is still the shortest way back.
    expect(asked(onDay(3))[0]).toEqual(['bacteria', 2]);
    bacteria(onDay(3));
    expect(asked(onDay(3, 20))[0]).toEqual(['bacteria', 4]);
    log.ammonia(onDay(7), 0);
    log.nitrite(onDay(7), 0);
    bacteria(onDay(7));
    expect(asked(onDay(8))).toEqual([]);
  });

  it('refuses a label that makes no schedule', () => {
    expect(() => programmeSchedule({ ...label, days: 0 }, 208, 0, 'UTC')).toThrow(RangeError);
    expect(() => programmeSchedule({ ...label, firstMl: -5 }, 208, 0, 'UTC')).toThrow(RangeError);
  });
});

describe('a challenge run', () => {
  it('goes from dose to wait to due, and ends as the tests say', () => {
    const log = new LogBuilder();
    const phase = (at: number) => challengeRun(historyOf(log, at), at).phase;
    expect(phase(onDay(20))).toBe('ready');
    log.dose(onDay(20), 2);
    expect(phase(onDay(20) + 5 * HOUR)).toBe('running');
    expect(phase(onDay(21))).toBe('due');
    expect(phase(onDay(21) + 5 * HOUR)).toBe('missed');
    log.ammonia(onDay(21), 0);
    log.nitrite(onDay(21), 0.5);
    expect(phase(onDay(21) + HOUR)).toBe('failed');
    expect(phase(onDay(24))).toBe('ready');
    const passed = new LogBuilder();
    passed.dose(onDay(20), 2);
    passed.ammonia(onDay(21), 0);
    passed.nitrite(onDay(21), 0);
    const at = onDay(21) + HOUR;
    expect(challengeRun(historyOf(passed, at), at).phase).toBe('passed');
  });

  it('takes no notice of a small dose', () => {
    const log = new LogBuilder();
    log.dose(onDay(20), 0.5);
    expect(challengeRun(historyOf(log, onDay(21)), onDay(21)).phase).toBe('ready');
  });
});

describe('the last steps', () => {
  it('change as much as nitrate asks for, and raise alkalinity by safe days', () => {
    const log = new LogBuilder();
    log.nitrate(onDay(20), 40);
    log.digital('alkalinityDrops', onDay(20), 6.5);
    const { changes, alkalinity } = endSteps(historyOf(log, onDay(20)), null, onDay(20));
    expect(changes.toGoal.share).toBeCloseTo(0.75, 2);
    expect(changes.toGoal.nitrateAfter).toBeCloseTo(2.26, 2);
    // 75 L at 38 g/L.
    expect(changes.toGoal.saltGrams).toBeCloseTo(2850, 0);
    expect(changes.none).toMatchObject({ litres: 0, saltGrams: 0 });
    expect(changes.none.nitrateAfter).toBeCloseTo((40 * 14.007) / 62.004, 2);
    expect(alkalinity?.days).toBe(2);
    // 2 dKH in 100 L at 0.03 g/L for each.
    expect(alkalinity?.grams).toBeCloseTo(6, 1);
  });

  it('name no nitrate where nobody measured it', () => {
    const { nitrateNow, changes } = endSteps(historyOf(new LogBuilder(), onDay(3)), null, onDay(3));
    expect(nitrateNow).toBeNull();
    expect(changes.half).toMatchObject({ litres: 50, nitrateAfter: null });
  });
});

describe('raising alkalinity', () => {
  const soda = (log: LogBuilder, at: number, amount: Dose['entry']['amount']) =>
    log.entry(at, { kind: 'dose', substance: 'alkalinity', amount, strength: null, about: false });

  it('waits for a test where a buffer went in that nobody can weigh', () => {
    const log = new LogBuilder();
    log.digital('alkalinityDrops', onDay(10), 6);
    soda(log, onDay(11), { by: 'mL', mL: 40 });
    expect(alkalinityRaise(historyOf(log, onDay(13)), onDay(13))).toBeNull();
    log.digital('alkalinityDrops', onDay(13, 13), 7);
    expect(alkalinityRaise(historyOf(log, onDay(14)), onDay(14))).toMatchObject({ days: 2 });
  });

  it('counts what was added since the test, and rests on no stale one', () => {
    const log = new LogBuilder();
    log.digital('alkalinityDrops', onDay(10), 7);
    const raise = (at: number) => alkalinityRaise(historyOf(log, at), at);
    expect(raise(onDay(10))).toMatchObject({ now: expect.closeTo(7, 6), days: 2 });
    soda(log, onDay(11), { by: 'grams', grams: 3 });
    expect(raise(onDay(11))).toMatchObject({ now: expect.closeTo(8, 6), days: 1 });
    expect(raise(onDay(40))).toBeNull();
    log.digital('alkalinityDrops', onDay(12), 8.6);
    expect(raise(onDay(12))).toBeNull();
  });

  it('takes off what clearing the doses since the test uses up, and mixes new water in', () => {
    const log = new LogBuilder();
    log.digital('alkalinityDrops', onDay(10), 8);
    const due = (at: number) => alkalinityDue(historyOf(log, at), at);
    log.dose(onDay(11), 1.6);
    // 0.4 dKH for each mg of nitrogen: 8 − 0.64. One dose is no reason to ask for anything.
    expect(alkalinityRaise(historyOf(log, onDay(11)), onDay(11))?.now).toBeCloseTo(7.36, 6);
    expect(due(onDay(11))).toBeNull();
    log.dose(onDay(14), 1.6);
    expect(due(onDay(14))).toMatchObject({ now: expect.closeTo(6.72, 6), tested: false, days: 2 });
    // Half of it is changed for water of usual salt, 8 dKH: (6.72 + 8) / 2.
    log.waterChange(onDay(15), 50);
    expect(due(onDay(15))).toBeNull();
    expect(alkalinityRaise(historyOf(log, onDay(15)), onDay(15))?.now).toBeCloseTo(7.36, 6);
    // Household ammonia brings half of what it takes.
    log.dose(onDay(16), 2, { substance: 'householdAmmonia' });
    expect(due(onDay(16))?.now).toBeCloseTo(6.96, 6);
  });

  it('goes on being asked for, day by day, until a first step has its second', () => {
    const log = new LogBuilder();
    log.digital('alkalinityDrops', onDay(10), 6);
    const due = (at: number) => alkalinityDue(historyOf(log, at), at);
    expect(due(onDay(10))).toMatchObject({ days: 2, grams: expect.closeTo(7.5, 6) });
    const half = { by: 'grams', grams: 3.75 } as const;
    soda(log, onDay(10, 13), half);
    // Not twice on one day: what is in has risen by its step.
    expect(due(onDay(10, 18))).toBeNull();
    expect(due(onDay(11))).toMatchObject({ tested: true, days: 1 });
    soda(log, onDay(11, 13), half);
    expect(due(onDay(12))).toBeNull();
  });

  it('is not asked for while pH is above 8.5, where more of it falls out', () => {
    const log = new LogBuilder();
    log.digital('alkalinityDrops', onDay(10), 6);
    log.digital('phPen', onDay(10), 8.6);
    const raise = (at: number) => alkalinityRaise(historyOf(log, at), at);
    expect(raise(onDay(10))).toBeNull();
    log.digital('phPen', onDay(11), 8.4);
    expect(raise(onDay(11))).toMatchObject({ days: 2 });
  });

  it('is asked for sooner by a test than by what is reckoned', () => {
    const log = new LogBuilder();
    log.digital('alkalinityDrops', onDay(10), 7.4);
    expect(alkalinityDue(historyOf(log, onDay(10)), onDay(10))).toMatchObject({ tested: true });
    log.digital('alkalinityDrops', onDay(10, 13), 7.6);
    expect(alkalinityDue(historyOf(log, onDay(11)), onDay(11))).toBeNull();
  });
});

describe('methods played in a tank', () => {
  const water = { temperature: 25.5, ph: 8.1, salinity: 35, alkalinity: 8 };
  const play = (seeding: 'none' | 'bottle' | 'establishedMedia') =>
    playMethod({ source: 'ammoniumChloride', seeding }, TEST_TANK, 100, water).days.p50;

  it('go quicker the better they are seeded, and always alike', () => {
    expect(play('bottle')).toBeLessThan(play('none'));
    expect(play('establishedMedia')).toBeLessThan(play('bottle'));
    expect(play('bottle')).toBe(play('bottle'));
  });

  it('show what a fish would breathe', () => {
    const fish = playMethod({ source: 'fish', seeding: 'none' }, TEST_TANK, 100, water);
    expect(fish.worstFree).toBeGreaterThan(0.005);
    // The same pair in twice the water is half as much to breathe, or less.
    const roomy = playMethod({ source: 'fish', seeding: 'none' }, TEST_TANK, 200, water);
    expect(roomy.worstFree).toBeLessThan(fish.worstFree * 0.75);
  });
});
