import { ASSURED } from '../../../../testing/assured';
import { clearingOn, day, ensembleOf } from '../../../../testing/ensembles';
import type { DoneRuleChoice } from '../../../records/schema/tank';
import type { CycleProblem } from '../../problem/types';
import { runAhead } from '../course/ahead';
import { nextTestOf } from '../nextTest/nextTest';
import { withheldBy, type Withheld } from './proving';

const problem = clearingOn(10);

describe('the test after a dose', () => {
  const dosed = (
    capacityB: number,
    doneRule: DoneRuleChoice = { rule: 'bothZeroHeld', daysAtZero: 7 },
    withheld: Withheld = 'dose',
    decay = 0.06,
    hours = 24,
  ) => {
    const told = {
      ...problem,
      doneRule,
      facts: {
        ...problem.facts,
        nitriteShown: true,
        shownSince: day(9),
        shownUntil: day(9),
        proof: { rise: 1.55, words: '2 ppm NH4', hours, within: hours },
      },
    };
    const tank = {
      now: { capacityA: 3, capacityB },
      parameters: { decayA: decay, decayB: decay },
    };
    const tanks = [tank, tank];
    const ensemble = ensembleOf(told, tanks);
    const ahead = runAhead(ensemble);
    const days = Float64Array.from([17, 17]);
    return nextTestOf(ensemble, ahead, days, undefined, withheld);
  };

  it('is due when the dose is likely gone, the later the weaker the filter bacteria', () => {
    const atOnce: DoneRuleChoice = { rule: 'bothZero' };
    const [strong, weak] = [dosed(2, atOnce), dosed(0.3, atOnce)];
    expect(strong).toMatchObject({ purpose: 'challenge', outcomes: [] });
    expect(strong?.because).toMatch(/likely gone/);
    expect(strong?.inDays).toBeLessThanOrEqual(3);
    expect(weak?.inDays).toBeGreaterThan((strong?.inDays ?? 0) + 1);
  });

  it('is not due before a hold is over, unless the filter bacteria would starve until then', () => {
    expect(dosed(2)?.inDays).toBe(6);
    expect(dosed(2, { rule: 'bothZeroHeld', daysAtZero: 14 })?.inDays).toBe(13);
    const starving = dosed(0.5, { rule: 'bothZeroHeld', daysAtZero: 14 }, 'dose', 0.4);
    expect(starving?.purpose).toBe('challenge');
    expect(starving?.inDays).toBeLessThan(13);
  });

  it('is due by the clock of a challenge, and at its hour where a dose likely clears by then', () => {
    const challenge: DoneRuleChoice = { rule: 'challenge', windowHours: 48 };
    expect(dosed(0.3, challenge, 'proof', 0.06, 48)?.inDays).toBe(2);
    // Where it would hardly pass, it feeds, and is tested once it is likely gone.
    expect(dosed(0.3, challenge, 'dose', 0.06, 48)?.inDays).toBeGreaterThan(2);
    const proof = dosed(0.3, { rule: 'bothZero' }, 'proof');
    expect(proof).toMatchObject({ purpose: 'challenge', inDays: 1 });
    expect(proof?.because).toMatch(/one dose is left to show.*about 24 h later/);
  });

  it('is no dose where a test is all that is wanted', () => {
    expect(dosed(2, { rule: 'bothZero' }, 'stays')).toMatchObject({
      purpose: 'confirm',
      inDays: 2,
    });
  });
});

describe('filter bacteria that starve while the last nitrite is waited for', () => {
  const nearly = (capacityB: number, { read = 0.25, nitrite = 0.18, animals = false } = {}) => {
    const seen = clearingOn(10, read);
    const told = { ...seen, animals, facts: { ...seen.facts, nitriteShown: true } };
    const tank = {
      now: { nitrite, capacityA: capacityB, capacityB },
      parameters: { decayA: 0.12, decayB: 0.12 },
    };
    const ensemble = ensembleOf(told, [tank, tank]);
    return nextTestOf(ensemble, runAhead(ensemble), Float64Array.from([17, 17]));
  };

  it('is fed before both read zero, and looked at while it can be fed again', () => {
    const next = nearly(0.12);
    expect(next).toMatchObject({ purpose: 'challenge', parameters: ['ammonia', 'nitrite'] });
    expect(next?.because).toMatch(/nearly gone.*Dose 2 ppm/);
    expect(next?.outcomes).toEqual([]);
  });

  it('is not fed where it carries a load all the same, nor with an animal in', () => {
    expect(nearly(3)?.purpose).toBe('confirm');
    expect(nearly(0.12, { animals: true })).toMatchObject({ purpose: 'learn', inDays: 0 });
  });

  it('is not fed while nitrite stands, by the tanks or by what was read', () => {
    expect(nearly(0.12, { nitrite: 1.2 })?.purpose).not.toBe('challenge');
    expect(nearly(0.12, { read: 0.5 })?.purpose).toBe('challenge');
    expect(nearly(0.12, { read: 1 })?.purpose).not.toBe('challenge');
  });
});

describe('what would still be withheld', () => {
  const facts = { ...problem.facts, shownSince: day(9), shownUntil: day(9), nitriteShown: true };
  const held: CycleProblem = {
    ...problem,
    doneRule: { rule: 'bothZeroHeld', daysAtZero: 7 },
    facts,
  };
  const atOnce: CycleProblem = { ...problem, doneRule: { rule: 'bothZero' }, facts };

  it('is nothing before both were shown, nor where all agrees', () => {
    expect(withheldBy(problem, { ...ASSURED, carries: 0 })).toBeNull();
    expect(withheldBy(held, ASSURED)).toBeNull();
  });

  it('is settled by a dose where a load or a repeat is doubted', () => {
    expect(withheldBy(atOnce, { ...ASSURED, carries: 0.5 })).toBe('proof');
    expect(withheldBy(atOnce, { ...ASSURED, repeats: 0.5 })).toBe('proof');
    // While the days of a span at zero run it feeds, and its test waits for them.
    expect(withheldBy(held, { ...ASSURED, carries: 0.5 })).toBe('dose');
    // One that likely does not clear in a day feeds the filter bacteria, and proves nothing.
    expect(withheldBy(atOnce, { ...ASSURED, carries: 0.5, proof: 0.3 })).toBe('dose');
  });

  it('is known at the start of a hold that the filter bacteria would not last', () => {
    const lapses = { ...ASSURED, carriesUntil: day(14) };
    expect(withheldBy(held, lapses)).toBe('dose');
    expect(withheldBy(held, { ...ASSURED, carriesUntil: day(18) })).toBeNull();
    expect(withheldBy(atOnce, lapses)).toBeNull();
  });

  it('is a dose of each rule for done that proves by one, once its days are over, until one was gone', () => {
    const of = (doneRule: DoneRuleChoice, more: Partial<CycleProblem['facts']> = {}) =>
      withheldBy({ ...problem, doneRule, facts: { ...facts, ...more } }, ASSURED);
    const bottle: DoneRuleChoice = { rule: 'bottleProgramme', programmeDays: 7 };
    expect(of({ rule: 'challenge', windowHours: 24 })).toBe('proof');
    expect(of({ rule: 'nitrateLevel' })).toBe('proof');
    expect(of(bottle, { programmeEndsAt: day(8) })).toBe('proof');
    expect(of(bottle, { programmeEndsAt: day(80) })).toBeNull();
    expect(of({ rule: 'algaeSuccession' }, { succession: 3 })).toBe('proof');
    expect(of({ rule: 'algaeSuccession' }, { succession: 2 })).toBeNull();
    expect(of({ rule: 'nitrateLevel' }, { provedAt: day(8) })).toBeNull();
    expect(of({ rule: 'bothZero' })).toBeNull();
    expect(of({ rule: 'bothZero' }, { nitriteShown: false })).toBe('proof');
  });

  it('is a dose where zeros have stood for so long that they speak for no bacteria any more', () => {
    const since = (starvesAt: number | null, doneRule: DoneRuleChoice = { rule: 'bothZero' }) =>
      withheldBy({ ...problem, doneRule, facts: { ...facts, starvesAt } }, ASSURED);
    expect(since(day(9))).toBe('proof');
    expect(since(day(40))).toBeNull();
    expect(since(null)).toBeNull();
    // Before a span at zero is over, one that would last until then; and none that would not.
    expect(since(day(12), { rule: 'bothZeroHeld', daysAtZero: 7 })).toBe('dose');
    const bottle: DoneRuleChoice = { rule: 'bottleProgramme', programmeDays: 7 };
    const far = { ...problem, doneRule: bottle };
    const late = { ...facts, starvesAt: day(31), programmeEndsAt: day(80) };
    expect(withheldBy({ ...far, facts: late }, ASSURED)).toBeNull();
  });

  it('is settled by tests once they are due, where only staying low is doubted', () => {
    expect(withheldBy(atOnce, { ...ASSURED, stays: 0.5 })).toBe('stays');
    expect(withheldBy(held, { ...ASSURED, stays: 0.5 })).toBeNull();
  });
});
