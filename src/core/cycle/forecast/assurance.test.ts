import fc from 'fast-check';
import { day, dayOf, ensembleOf, problemOn, type Told } from '../../../testing/ensembles';
import type { LogBuilder } from '../../../testing/logBuilder';
import { packEvents } from '../kinetics/events';
import { SAFE } from '../verdict/safe';
import { AHEAD_STEPS, CLEAR, runStretch, stretchFor } from './course/ahead';
import { assuranceOf, carriesAfter } from './assurance';
import { draws } from '../../../testing/draws';

const problem = problemOn(10, (log) => {
  log.dose(day(1), 1.6);
  log.ammonia(day(9), 0);
  log.nitrite(day(9), 0);
});
const assured = (...tanks: Told[]) => assuranceOf(ensembleOf(problem, tanks));
const filterBacteria = (capacityB: number, decayB = 0.06): Told => ({
  now: { capacityA: 2, capacityB },
  parameters: { decayB },
});

describe('what is sure of a tank', () => {
  it('is all of it for filter bacteria that are many and last', () => {
    expect(assured(filterBacteria(2))).toMatchObject({ stays: 1, carries: 1, suspect: null });
  });

  it('is the share of the tanks that its readings allow', () => {
    const standing: Told = { now: { nitrite: 2 * SAFE, capacityB: 0.01 } };
    expect(assured(standing, filterBacteria(2))).toMatchObject({ stays: 0.5, carries: 0.5 });
  });

  it('is not that too few filter bacteria carry a fish', () => {
    expect(assured(filterBacteria(0.02))).toMatchObject({
      stays: 1,
      carries: 0,
      carriesUntil: null,
    });
  });

  it('lapses unfed, the sooner the quicker the filter bacteria decay', () => {
    const until = (decay: number) => dayOf(assured(filterBacteria(0.8, decay)).carriesUntil);
    expect(until(0.2)).toBeGreaterThanOrEqual(10);
    expect(until(0.2)).toBeLessThan(until(0.1));
    expect(until(0.1)).toBeLessThan(40);
  });

  it('is after some days what it is now on the first, and grows no better unfed', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 0.02, max: 2, noNaN: true }), { minLength: 2, maxLength: 4 }),
        fc.integer({ min: 1, max: 30 }),
        (capacities, days) => {
          const ensemble = ensembleOf(
            problem,
            capacities.map((capacityB) => filterBacteria(capacityB, 0.15)),
          );
          const now = carriesAfter(ensemble, 0);
          expect(now).toBeCloseTo(assuranceOf(ensemble).carries, 2);
          expect(carriesAfter(ensemble, days)).toBeLessThanOrEqual(now);
        },
      ),
      { numRuns: draws(4) },
    );
  });

  it('is more of filter bacteria that are fed on the way', () => {
    const ensemble = ensembleOf(problem, [filterBacteria(0.3, 0.1)]);
    expect(carriesAfter(ensemble, 8)).toBe(0);
    expect(carriesAfter(ensemble, 8, () => [{ step: 0, ammonia: 1.6 }])).toBe(1);
  });

  it('is not a repeat that filter bacteria pass only just', () => {
    const challenge = problemOn(10, (log) => log.dose(day(1), 1.6), {
      doneRule: { rule: 'challenge', windowHours: 24 },
    });
    const [member] = ensembleOf(challenge, [filterBacteria(1)]).members;
    if (!member) throw new Error('no tank');
    const dose = packEvents([{ step: 0, ammonia: challenge.facts.challengeDose, alkalinityIs: 8 }]);
    const spell = stretchFor(challenge, 2);
    // The fewest filter bacteria that have used up the dose itself when its hours, and the slack, are over.
    const capacity = Array.from({ length: 200 }, (_, i) => 1 + i / 20).find((capacityB) => {
      runStretch(spell, member, { ...member.now, capacityA: 9, capacityB }, dose);
      return (spell.course.nitrite[Math.floor((26 * AHEAD_STEPS) / 24)] ?? 1) < CLEAR;
    });
    const repeats = (capacityB: number) =>
      assuranceOf(ensembleOf(challenge, [{ now: { capacityA: 9, capacityB } }])).repeats;
    expect(capacity).toBeGreaterThan(1);
    expect(repeats(capacity ?? 0)).toBe(0);
    expect(repeats(1.4 * (capacity ?? 0))).toBe(1);
  });

  it('is never more than of more filter bacteria', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.05, max: 1, noNaN: true }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        (capacity, more) => {
          const [small, large] = [
            assured(filterBacteria(capacity)),
            assured(filterBacteria(capacity + more)),
          ];
          expect(small.carries).toBeLessThanOrEqual(large.carries);
        },
      ),
      { numRuns: draws(8) },
    );
  });
});

describe('a kit that may be dead', () => {
  const weak = { ...filterBacteria(0.02), hypothesis: 'ammoniaKitDead' as const };
  const doubted = (build: Parameters<typeof problemOn>[1]) =>
    assuranceOf(ensembleOf(problemOn(10, build), [weak])).doubted;
  const zeros = (log: LogBuilder) => {
    log.dose(day(1), 1.6);
    log.ammonia(day(8), 0);
    log.ammonia(day(9), 0);
  };
  const another = { kit: { name: 'The shop’s test' } };

  it('is doubted while its own zero is the last, and not once another kit was asked', () => {
    expect(doubted(zeros)).toBe('ammonia');
    expect(
      doubted((log) => {
        zeros(log);
        log.card('ammoniaCard', day(9.5), 0, another);
      }),
    ).toBeNull();
  });

  it('is the same kit where it was read in another unit', () => {
    const twice = problemOn(10, (log) => {
      zeros(log);
      log.card('ammoniaCard', day(9.5), 0, another);
    });
    const [first] = twice.kits;
    const kits = twice.kits.map((kit) => ({ ...kit, id: first?.id ?? '' }));
    expect(kits).toHaveLength(2);
    expect(assuranceOf(ensembleOf({ ...twice, kits }, [weak])).doubted).toBe('ammonia');
  });

  it('is doubted again once it is gone back to', () => {
    expect(
      doubted((log) => {
        log.dose(day(1), 1.6);
        log.ammonia(day(8), 0);
        log.card('ammoniaCard', day(9), 0, another);
        log.ammonia(day(9.5), 0);
      }),
    ).toBe('ammonia');
  });
});
