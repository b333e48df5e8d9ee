import { day, ensembleOf, problemOn, type Told } from '../../../../testing/ensembles';
import type { DoneRuleChoice } from '../../../records/schema/tank';
import type { CycleProblem } from '../../problem/types';
import { runAhead } from '../course/ahead';
import { readiness } from './ready';

const NOW = 10;
/** Ammonia gone, a milligram of nitrite left for a middling filter bacteria. */
const NEARLY: Told = { now: { nitrite: 1, capacityA: 2, capacityB: 1 } };
/** One that clears a dose in a day. */
const ABLE: Told = { now: { nitrite: 1, capacityA: 12, capacityB: 12 } };

function daysOf(
  doneRule: DoneRuleChoice,
  told: Told = NEARLY,
  facts: Partial<CycleProblem['facts']> = {},
) {
  const plain = problemOn(NOW, (log) => log.dose(day(1), 1.6), { doneRule });
  const problem = { ...plain, facts: { ...plain.facts, ...facts } };
  const ensemble = ensembleOf(problem, [told, told, told, told]);
  const ahead = runAhead(ensemble);
  const clear = Math.max(ahead.ammoniaClears[0] ?? 0, ahead.nitriteClears[0] ?? 0);
  const { days, doses } = readiness(ensemble, ahead);
  return { clear, ready: days[0] ?? NaN, doses: doses[0] ?? [], all: Array.from(days) };
}

describe('when a tank is ready', () => {
  it('is when both are clear, and what the rule for done adds to it', () => {
    const { clear, ready } = daysOf({ rule: 'bothZero' });
    expect(clear).toBeGreaterThan(NOW);
    expect(ready).toBe(clear);
    expect(daysOf({ rule: 'bothZeroHeld', daysAtZero: 7 }).ready).toBeCloseTo(clear + 7, 9);
    expect(daysOf({ rule: 'bothZeroHeld', daysAtZero: 14 }).ready).toBeCloseTo(clear + 14, 9);
    // A dose half a day after that, and its test a day or two later.
    const level = daysOf({ rule: 'nitrateLevel' }, ABLE).ready;
    expect(level).toBeCloseTo(daysOf({ rule: 'nitrateLevel' }, ABLE).clear + 5 + 0.5 + 1, 9);
  });

  it('counts a hold from the tests that show it, and from now where none does', () => {
    const held: DoneRuleChoice = { rule: 'bothZeroHeld', daysAtZero: 7 };
    const clean: Told = { now: { capacityA: 2, capacityB: 2 } };
    expect(daysOf(held, clean, { shownSince: day(8) }).ready).toBeCloseTo(15, 6);
    // It may have been clear for days; only a test begins the count.
    expect(daysOf(held, clean).ready).toBeCloseTo(NOW + 7, 6);
    // A zero read while nitrite still stands is a misreading, and begins nothing.
    const standing = daysOf(held, NEARLY, { shownSince: day(8) });
    expect(standing.ready).toBeCloseTo(standing.clear + 7, 9);
  });

  it('waits for the end of a programme, and never comes without a bottle', () => {
    const doneRule: DoneRuleChoice = { rule: 'bottleProgramme', programmeDays: 14 };
    const { clear, ready } = daysOf(doneRule, ABLE, {
      programmeEndsAt: day(30),
      provedAt: day(20),
    });
    expect(ready).toBeCloseTo(30, 6);
    const over = { programmeEndsAt: day(3), provedAt: day(5) };
    expect(daysOf(doneRule, ABLE, over).ready).toBe(clear);
    // Without its dose it waits for that as well.
    expect(daysOf(doneRule, ABLE, { programmeEndsAt: day(3) }).ready).toBeCloseTo(clear + 1.5, 6);
    expect(daysOf(doneRule, NEARLY, { programmeEndsAt: null }).ready).toBe(Infinity);
  });

  it('waits for light and growth where the algae are asked, each tank for its own while', () => {
    const doneRule: DoneRuleChoice = { rule: 'algaeSuccession' };
    expect(daysOf(doneRule, NEARLY, { litSince: null }).ready).toBe(Infinity);
    const lit = daysOf(doneRule, NEARLY, { litSince: day(5) });
    expect(Math.min(...lit.all)).toBeGreaterThan(5 + 18);
    expect(new Set(lit.all).size).toBe(lit.all.length);
    const seen = daysOf(doneRule, NEARLY, { litSince: day(5), succession: 3, provedAt: day(6) });
    expect(seen.ready).toBe(seen.clear);
  });
});

describe('a challenge that is played', () => {
  const doneRule: DoneRuleChoice = { rule: 'challenge', windowHours: 24 };
  const able: Told = { now: { capacityA: 12, capacityB: 12 } };

  it('is passed at the first dose by filter bacteria that can, a day after it', () => {
    const { ready, doses } = daysOf(doneRule, able);
    expect(doses).toHaveLength(1);
    expect(ready).toBeCloseTo((doses[0] ?? 0) + 1, 6);
  });

  it('takes more doses the fewer the filter bacteria are, each after the last has cleared', () => {
    const { ready, doses } = daysOf(doneRule);
    expect(doses.length).toBeGreaterThan(2);
    doses.slice(1).forEach((at, i) => expect(at - (doses[i] ?? 0)).toBeGreaterThanOrEqual(1));
    expect(ready).toBeGreaterThan(doses.at(-1) ?? 0);
    const patient = daysOf({ rule: 'challenge', windowHours: 48 });
    expect(patient.doses.length).toBeLessThan(doses.length);
  });

  it('is given up for filter bacteria that die back as fast as doses grow them', () => {
    const { ready, doses } = daysOf(doneRule, {
      parameters: { growthB: 0.12, decayA: 0.3, decayB: 0.3 },
      now: { nitrite: 0.5, capacityB: 0.4 },
    });
    expect(ready).toBe(Infinity);
    expect(doses.length).toBeLessThan(24);
  });

  it('that was passed stays passed', () => {
    const { ready, doses } = daysOf(doneRule, able, { provedAt: day(8) });
    expect(ready).toBeCloseTo(9, 6);
    expect(doses).toEqual([]);
  });
});
