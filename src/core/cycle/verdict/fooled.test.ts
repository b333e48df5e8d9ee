import { bandsOf, tankHistory, verdictOf, type CriterionId, type DoneRuleChoice } from '../..';
import { challengeRun } from '../dosing/challengeRun';
import type { EntryBody } from '../../records/kinds';
import { HOUR, LogBuilder, onDay } from '../../../testing/logBuilder';
import { provenTank, zeros } from '../../../testing/provenTank';
import { ASSURED } from '../../../testing/assured';

// Logs that once made a tank ready, or would have, that was not: each names what fools a rule.

const bands = bandsOf('mixedReef', {});
const BOTH_ZERO: DoneRuleChoice = { rule: 'bothZero' };
const HELD: DoneRuleChoice = { rule: 'bothZeroHeld', daysAtZero: 7 };
const CHALLENGE: DoneRuleChoice = { rule: 'challenge', windowHours: 24 };
const NITRATE: DoneRuleChoice = { rule: 'nitrateLevel' };
const PROGRAMME: DoneRuleChoice = { rule: 'bottleProgramme', programmeDays: 14 };

function judged(builder: LogBuilder, at: number) {
  const verdict = verdictOf(tankHistory(builder.log(), builder.tankId, at), at, bands, ASSURED);
  const criterion = (id: CriterionId) => {
    const found = verdict.criteria.find((c) => c.id === id);
    if (!found) throw new Error(`no criterion ${id}`);
    return found;
  };
  return { ...verdict, criterion };
}

const NOW = onDay(28, 18);

describe('what may have harmed the filter bacteria voids what was shown before it', () => {
  const harms: [string, EntryBody][] = [
    ['bleach', { kind: 'treatment', agent: 'bleach' }],
    ['an antibiotic', { kind: 'treatment', agent: 'antibiotic' }],
    ['another medicine', { kind: 'treatment', agent: 'otherMedicine' }],
    ['all rock taken out', { kind: 'media', move: { to: 'out', share: 1 } }],
    ['a third of it taken out', { kind: 'media', move: { to: 'out', share: 0.33 } }],
  ];
  it.each(harms)('%s', (_name, harm) => {
    for (const choice of [BOTH_ZERO, HELD, CHALLENGE, NITRATE, PROGRAMME]) {
      expect(judged(provenTank(choice), NOW).ready).toBe(true);
      const builder = provenTank(choice);
      builder.entry(onDay(28, 16), harm);
      const verdict = judged(builder, NOW);
      expect(verdict.ready).toBe(false);
      expect(verdict.criterion('ammoniaUsed')).toMatchObject({
        state: expect.not.stringMatching(/^met$/) as string,
        because: expect.stringMatching(/28 Mar|30 Mar/) as string,
      });
      // Zeros alone do not show it again: nothing was cleared since.
      for (const day of [29, 37, 45]) zeros(builder, onDay(day));
      builder.conditions(onDay(45));
      expect(judged(builder, onDay(45, 18)).ready).toBe(false);
    }
  });

  it('says what did it, and what would settle it', () => {
    const builder = provenTank(HELD);
    builder.entry(onDay(28, 16), { kind: 'treatment', agent: 'bleach' });
    const { because, settle } = judged(builder, NOW).criterion('zeroHeld');
    expect(because).toMatch(/^Bleach on 30 Mar may have harmed the filter bacteria/);
    expect(settle).toBeTruthy();
    const tried = provenTank(CHALLENGE);
    const phase = () => challengeRun(tankHistory(tried.log(), tried.tankId, NOW), NOW).phase;
    expect(phase()).toBe('passed');
    tried.entry(onDay(28, 16), { kind: 'treatment', agent: 'bleach' });
    expect(phase()).toBe('ready');
    // There are tests on record, only none since: it does not say otherwise.
    expect(judged(builder, NOW).criteria.filter((c) => /is logged yet/.test(c.because))).toEqual(
      [],
    );
  });

  it('is shown again by a challenge that it passes', () => {
    const builder = provenTank(CHALLENGE);
    builder.entry(onDay(28, 16), { kind: 'treatment', agent: 'antibiotic' });
    builder.dose(onDay(35), 2);
    zeros(builder, onDay(36));
    builder.conditions(onDay(36));
    expect(judged(builder, onDay(36, 18)).ready).toBe(true);
  });

  it('a little rock taken out, a tenth or less together, voids nothing', () => {
    const builder = provenTank(HELD);
    builder.entry(onDay(28, 14), { kind: 'media', move: { to: 'out', share: 0.05 } });
    expect(judged(builder, NOW).ready).toBe(true);
    builder.entry(onDay(28, 15), { kind: 'media', move: { to: 'out', share: 0.06 } });
    expect(judged(builder, NOW).ready).toBe(false);
  });
});

describe('a challenge', () => {
  const dosed = (day: number, builder = new LogBuilder({ doneRule: CHALLENGE })) => {
    builder.dose(onDay(day), 2);
    return builder;
  };

  it('that failed outdoes one that was passed before it', () => {
    const builder = dosed(10);
    zeros(builder, onDay(11));
    builder.conditions(onDay(14));
    dosed(12, builder);
    builder.ammonia(onDay(13), 0);
    builder.nitrite(onDay(13), 1);
    zeros(builder, onDay(14));
    const verdict = judged(builder, onDay(14, 18));
    expect(verdict.criterion('challengePassed').state).toBe('not yet');
    expect(verdict.ready).toBe(false);
  });

  it('whose failure was read late is failed all the same', () => {
    const builder = dosed(10);
    zeros(builder, onDay(11));
    dosed(12, builder);
    builder.nitrite(onDay(13, 18), 0.5);
    zeros(builder, onDay(15));
    builder.conditions(onDay(15));
    expect(judged(builder, onDay(15, 18)).ready).toBe(false);
  });

  it('that nobody tested leaves the one before it standing', () => {
    const builder = dosed(10);
    zeros(builder, onDay(11));
    dosed(12, builder);
    zeros(builder, onDay(15));
    builder.conditions(onDay(15));
    expect(judged(builder, onDay(15, 18)).criterion('challengePassed').state).toBe('met');
  });

  it('needs nitrite at zero when ammonia is, not five hours after the dose', () => {
    const builder = dosed(10);
    builder.nitrite(onDay(10) + 5 * HOUR, 0);
    builder.ammonia(onDay(11), 0);
    builder.conditions(onDay(11));
    const { state, settle } = judged(builder, onDay(11, 13)).criterion('challengePassed');
    expect(state).toBe('not yet');
    expect(settle).toMatch(/nitrite/);
    builder.nitrite(onDay(11, 13), 0);
    expect(judged(builder, onDay(11, 18)).criterion('challengePassed').state).toBe('met');
  });
});

describe('zeros that dilution or a bottle made', () => {
  it('nitrite 5, nearly all the water changed, zeros: nothing shows that it was used', () => {
    const builder = new LogBuilder({ doneRule: BOTH_ZERO });
    builder.dose(onDay(1), 4);
    builder.ammonia(onDay(2), 4);
    builder.ammonia(onDay(15), 0);
    builder.nitrite(onDay(15), 5);
    builder.waterChange(onDay(16), 97);
    zeros(builder, onDay(17));
    builder.conditions(onDay(17));
    const verdict = judged(builder, onDay(17, 18));
    expect(verdict.ready).toBe(false);
    expect(verdict.criterion('nitriteSeen').because).toMatch(/water/i);
    // What goes in afterwards and is gone is shown.
    builder.dose(onDay(18), 2);
    zeros(builder, onDay(19));
    builder.conditions(onDay(19));
    expect(judged(builder, onDay(19, 18)).ready).toBe(true);
  });

  it('a usual change on the way down takes nothing back', () => {
    const builder = provenTank(HELD);
    builder.waterChange(onDay(15), 30);
    expect(judged(builder, NOW).ready).toBe(true);
  });

  it('ammonia read while a binder holds it', () => {
    const builder = provenTank(HELD);
    builder.dose(onDay(28, 12), 1, { substance: 'ammoniaBinder', amount: { by: 'mL', mL: 10 } });
    const { state, because } = judged(builder, NOW).criterion('ammoniaZero');
    expect(state).toBe('cannot tell');
    expect(because).toMatch(/binder/);
    zeros(builder, onDay(31));
    builder.conditions(onDay(31));
    expect(judged(builder, onDay(31, 18)).criterion('ammoniaZero').state).toBe('met');
  });
});

describe('a tank that was never fed', () => {
  it('is not ready by misread vials: one or two lowest steps are no cycle', () => {
    for (const choice of [BOTH_ZERO, HELD]) {
      const builder = new LogBuilder({ doneRule: choice });
      for (let day = 1; day <= 60; day += 1) {
        builder.ammonia(onDay(day), day === 12 || day === 31 ? 0.25 : 0);
        builder.nitrite(onDay(day), day === 20 || day === 40 ? 0.25 : 0);
      }
      builder.conditions(onDay(60));
      const verdict = judged(builder, onDay(60, 18));
      expect(verdict.criterion('fed').state).not.toBe('met');
      expect(verdict.ready).toBe(false);
    }
  });

  it('one lowest step of nitrite is not nitrite seen; two are', () => {
    const builder = new LogBuilder();
    builder.dose(onDay(1), 2);
    builder.nitrite(onDay(9), 0.25);
    expect(judged(builder, onDay(10)).criterion('nitriteSeen').state).toBe('not yet');
    builder.nitrite(onDay(11), 0.25);
    builder.nitrite(onDay(14), 0);
    expect(judged(builder, onDay(15)).criterion('nitriteSeen').state).toBe('met');
  });

  it('counts what was read as well as what was logged', () => {
    const builder = new LogBuilder();
    builder.ammonia(onDay(2), 2);
    expect(judged(builder, onDay(3)).criterion('fed').state).toBe('not yet');
    builder.ammonia(onDay(4), 2);
    expect(judged(builder, onDay(5)).criterion('fed').state).toBe('met');
    const prawn = new LogBuilder();
    prawn.entry(onDay(1), { kind: 'organics', action: { what: 'prawnIn', grams: 40 } });
    expect(judged(prawn, onDay(3)).criterion('fed').state).toBe('met');
    prawn.entry(onDay(1, 18), { kind: 'organics', action: { what: 'prawnOut' } });
    expect(judged(prawn, onDay(3)).criterion('fed').state).toBe('not yet');
  });
});

describe('what went in after the zeros', () => {
  it.each<[string, EntryBody]>([
    ['a prawn', { kind: 'organics', action: { what: 'prawnIn', grams: 40 } }],
    ['much food', { kind: 'feed', food: 'pellets', amount: { by: 'grams', grams: 5 } }],
    ['a dead animal', { kind: 'animals', move: 'died', group: 'fish', what: 'Goby', grams: 20 }],
  ])('%s is outstanding until both were tested long enough after', (_name, entry) => {
    const builder = provenTank(HELD);
    builder.entry(onDay(28, 14), entry);
    const verdict = judged(builder, NOW);
    expect(verdict.criterion('dosesAccounted').state).toBe('not yet');
    expect(verdict.ready).toBe(false);
    zeros(builder, onDay(29));
    builder.conditions(onDay(29));
    expect(judged(builder, onDay(29, 18)).ready).toBe(false);
    for (let day = 31; day <= 40; day += 3) zeros(builder, onDay(day));
    builder.conditions(onDay(40));
    expect(judged(builder, onDay(40, 18)).criterion('dosesAccounted').state).toBe('met');
  });

  it('a pinch of food is not', () => {
    const builder = provenTank(HELD);
    builder.entry(onDay(28, 14), {
      kind: 'feed',
      food: 'pellets',
      amount: { by: 'portions', portions: 1 },
    });
    expect(judged(builder, NOW).ready).toBe(true);
  });
});

describe('filter bacteria with nothing to clear', () => {
  it('is not what was shown, three weeks on', () => {
    const builder = provenTank(BOTH_ZERO);
    for (const day of [34, 40, 46, 52]) zeros(builder, onDay(day));
    builder.conditions(onDay(52));
    const { ready, criterion } = judged(builder, onDay(52, 14));
    expect(ready).toBe(false);
    expect(criterion('fed')).toMatchObject({
      state: 'cannot tell',
      because: expect.stringMatching(/dwindle/),
      settle: expect.stringMatching(/Dose 1 ppm/),
    });
  });

  it('is kept by what feeds it', () => {
    const builder = provenTank(BOTH_ZERO);
    builder.dose(onDay(40), 1);
    for (const day of [34, 41, 46, 52]) zeros(builder, onDay(day));
    builder.conditions(onDay(52));
    expect(judged(builder, onDay(52, 14)).criterion('fed').state).toBe('met');
  });
});

describe('nitrate', () => {
  const cleared = (read: (builder: LogBuilder) => void) => {
    const builder = new LogBuilder({ doneRule: NITRATE });
    builder.dose(onDay(1), 2);
    builder.ammonia(onDay(2), 2);
    builder.nitrite(onDay(9), 2);
    zeros(builder, onDay(20));
    read(builder);
    zeros(builder, onDay(28));
    builder.conditions(onDay(28));
    return judged(builder, NOW).criterion('nitrateLevel');
  };

  it('that a water change lowered has not levelled', () => {
    const { state, because } = cleared((builder) => {
      builder.nitrate(onDay(20), 20);
      builder.waterChange(onDay(22), 50);
      builder.nitrate(onDay(28), 20);
    });
    expect(state).toBe('not yet');
    expect(because).toMatch(/water/);
  });

  it('on the last step may be rising unseen', () => {
    const { state, settle } = cleared((builder) => {
      builder.nitrate(onDay(20), 40);
      builder.nitrate(onDay(28), 40);
    });
    expect(state).toBe('cannot tell');
    expect(settle).toMatch(/dilut/i);
  });

  it('that stays though some water was changed has', () => {
    const { state } = cleared((builder) => {
      builder.nitrate(onDay(20), 20);
      builder.waterChange(onDay(21), 50);
      builder.nitrate(onDay(21, 18), 10);
      builder.nitrate(onDay(28), 10);
    });
    expect(state).toBe('met');
  });
});
