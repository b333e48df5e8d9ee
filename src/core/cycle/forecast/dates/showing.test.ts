import { clearingOn, day, ensembleOf, type Told } from '../../../../testing/ensembles';
import type { DoneRuleChoice } from '../../../records/schema/tank';
import type { CycleProblem } from '../../problem/types';
import { runAhead } from '../course/ahead';
import { nextTestOf } from '../nextTest/nextTest';

const problem = clearingOn(10);

describe('the test that shows', () => {
  it('is asked for again when the rule for done wants to see it, once both were shown', () => {
    const clean = { now: { capacityA: 2, capacityB: 2 } };
    const after = (doneRule: DoneRuleChoice, facts: Partial<CycleProblem['facts']> = {}) => {
      const shown = {
        ...problem,
        doneRule,
        facts: { ...problem.facts, shownSince: day(8), ...facts },
      };
      const ensemble = ensembleOf(shown, [clean, clean, clean]);
      const ahead = runAhead(ensemble);
      return nextTestOf(ensemble, ahead, Float64Array.from([15, 15, 15]));
    };
    const held = after({ rule: 'bothZeroHeld', daysAtZero: 7 });
    expect(held).toMatchObject({ purpose: 'confirm', inDays: 5 });
    expect(held?.because).toMatch(/again/);
    const programme = after(
      { rule: 'bottleProgramme', programmeDays: 20 },
      { programmeEndsAt: day(21) },
    );
    expect(programme?.inDays).toBe(11);
    const seen = after(
      { rule: 'bothZeroHeld', daysAtZero: 7 },
      { shownSince: day(2), shownUntil: day(9.5) },
    );
    expect(seen).toMatchObject({ purpose: 'confirm', inDays: 3 });
    expect(seen?.because).toMatch(/too old/);
    expect(after({ rule: 'challenge', windowHours: 24 })).toBeNull();
    expect(after({ rule: 'bothZero' })).toBeNull();
  });

  const unseen = (facts: Partial<CycleProblem['facts']>, animals = false) => {
    const told = {
      ...problem,
      animals,
      facts: { ...problem.facts, nitriteShown: false, ...facts },
    };
    return (tanks: Told[]) => {
      const ensemble = ensembleOf(told, tanks);
      const ahead = runAhead(ensemble);
      return nextTestOf(
        ensemble,
        ahead,
        Float64Array.from(tanks, () => 12),
      );
    };
  };

  it('shows nitrite while it is there', () => {
    const rising = { now: { ammonia: 1.5, nitrite: 0.1, capacityA: 0.6, capacityB: 0.02 } };
    const next = unseen({})([rising, rising, rising]);
    expect(next).toMatchObject({ purpose: 'show', parameters: ['nitrite'] });
    expect(next?.inDays).toBeGreaterThan(0);
  });

  it('offers a challenge where nitrite was missed, and never with an animal in', () => {
    const clean = { now: { capacityA: 2, capacityB: 2 } };
    const missed = { shownSince: day(8) };
    const next = unseen(missed)([clean, clean]);
    expect(next).toMatchObject({ purpose: 'challenge', parameters: ['ammonia', 'nitrite'] });
    expect(next?.because).toMatch(/Dose 2 ppm/);
    const living = unseen(missed, true)([clean, clean]);
    expect(living?.purpose).toBe('learn');
    expect(living?.inDays).toBeLessThanOrEqual(1);
    expect(living?.because).not.toMatch(/Dose/);
  });
});

describe('a test that is to show zeros', () => {
  it('waits until the card would read them, and not only until both are clear', () => {
    const told = { ...problem, facts: { ...problem.facts, nitriteShown: true } };
    const inDays = (bias: number) => {
      const tank = {
        now: { nitrite: 0.09, capacityA: 0.6, capacityB: 0.6 },
        bias: problem.kits.map(() => bias),
      };
      const ensemble = ensembleOf(told, [tank, tank]);
      const next = nextTestOf(ensemble, runAhead(ensemble), Float64Array.from([11, 11]));
      expect(next?.purpose).toBe('confirm');
      return next?.inDays ?? -1;
    };
    // The same water: a kit that reads high shows nitrite for longer.
    expect(inDays(3)).toBeGreaterThan(inDays(0.5));
  });
});
