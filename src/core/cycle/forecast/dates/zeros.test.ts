import fc from 'fast-check';
import { clearingOn, ensembleOf, type Told } from '../../../../testing/ensembles';
import { runAhead } from '../course/ahead';
import { kitsToUse } from '../nextTest/learning';
import { likelyZeroFrom, nearlyClear, proofPoint, starvesBy } from './zeros';

const clearing = clearingOn(10, 0.25);
const shown = { ...clearing, facts: { ...clearing.facts, nitriteShown: true } };

function tanks(told: Told[], animals = false) {
  const ensemble = ensembleOf({ ...shown, animals }, told);
  const ahead = runAhead(ensemble);
  const usable = kitsToUse(shown, undefined);
  return {
    ahead,
    zeroFrom: (first: number, without?: 'ammonia' | 'nitrite') =>
      likelyZeroFrom(
        first,
        ensemble,
        ahead,
        usable.filter(({ kit }) => kit.parameter !== without),
      ),
    starves: (zero: number | undefined) => starvesBy(zero, ensemble, ahead),
    proof: (soonest: number, wanted?: number) =>
      proofPoint({ soonest, wanted }, ensemble, ahead, usable),
  };
}
const standing = (nitrite: number, capacity: number, decay = 0.06): Told => ({
  now: { nitrite, capacityA: capacity, capacityB: capacity },
  parameters: { decayA: decay, decayB: decay },
});

describe('zeros', () => {
  it('are in sight the later the more nitrite stands, and never before what was asked', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.02, max: 1.5, noNaN: true }),
        fc.integer({ min: 0, max: 12 }),
        (nitrite, days) => {
          const some = tanks([standing(nitrite, 0.8)]);
          const more = tanks([standing(nitrite + 0.5, 0.8)]);
          const first = days * some.ahead.perDay;
          expect(some.zeroFrom(first)).toBeGreaterThanOrEqual(first);
          expect(more.zeroFrom(first) ?? Infinity).toBeGreaterThanOrEqual(
            some.zeroFrom(first) ?? Infinity,
          );
        },
      ),
      { numRuns: 12 },
    );
  });

  it('come later for a kit that reads high, and with no kit of nitrite once it is clear', () => {
    const tank = standing(0.09, 0.4);
    const [low, high] = [0.5, 3].map(
      (bias) => tanks([{ ...tank, bias: shown.kits.map(() => bias) }]).zeroFrom(0) ?? Infinity,
    );
    expect(high).toBeGreaterThan(low ?? Infinity);
    expect(tanks([tank]).zeroFrom(0, 'nitrite')).toBeLessThan(high ?? 0);
  });

  it('are in sight for a card that colours a little at true zero, since it gets no better', () => {
    // At 0.08 ppm of nitrite an even reader sees the lowest step less than seven times in ten.
    const coloured = { ...standing(0, 1), offset: shown.kits.map(() => 0.08) };
    expect(tanks([coloured]).zeroFrom(0)).toBeLessThan(5);
    const there = { ...standing(0.2, 1), offset: shown.kits.map(() => 0.08) };
    expect(tanks([there]).zeroFrom(0)).toBeGreaterThan(tanks([coloured]).zeroFrom(0) ?? 0);
  });

  it('are not in sight where nothing clears', () => {
    expect(tanks([standing(1, 1e-6, 0.3)]).zeroFrom(0)).toBeUndefined();
  });
});

describe('next to nothing', () => {
  it('is counted by the tanks that have it, ammonia and nitrite alike', () => {
    const ammonia: Told = { now: { ammonia: 0.4, capacityA: 0.1 } };
    const { ahead } = tanks([standing(0.2, 1), standing(0.6, 1), ammonia, standing(0, 1)]);
    expect(nearlyClear(ahead, 0)).toBe(0.5);
    expect(nearlyClear(ahead, 10 * ahead.perDay)).toBeGreaterThanOrEqual(0.75);
  });
});

describe('the point of a proof', () => {
  it('is that of the zeros for filter bacteria that last, and sooner for those that starve', () => {
    const strong = tanks([standing(0.2, 3)]);
    expect(strong.starves(strong.zeroFrom(0))).toBe(false);
    expect(strong.proof(0)).toBe(strong.zeroFrom(0));
    const weak = tanks([standing(0.2, 0.12, 0.12)]);
    const zero = weak.zeroFrom(0) ?? weak.ahead.points;
    expect(weak.starves(zero)).toBe(true);
    expect(weak.proof(0)).toBeLessThan(zero);
    expect(weak.proof(2)).toBeGreaterThanOrEqual(2);
  });

  it('is sooner too where most tanks would last until the zeros, and not nearly all', () => {
    const last = standing(0.2, 3);
    const mixed = tanks([last, last, last, standing(0.2, 0.12, 0.12)]);
    const zero = mixed.zeroFrom(0) ?? mixed.ahead.points;
    expect(mixed.starves(zero)).toBe(true);
    expect(mixed.proof(0)).toBeLessThan(zero);
  });

  it('waits for the zeros with an animal in, since nothing may be fed', () => {
    const weak = tanks([standing(0.2, 0.12, 0.12)], true);
    expect(weak.proof(0)).toBe(weak.zeroFrom(0));
  });

  it('is not before what a hold wants of filter bacteria that last until then', () => {
    const strong = tanks([standing(0, 3)]);
    expect(strong.proof(0, 7 * strong.ahead.perDay)).toBe(7 * strong.ahead.perDay);
  });
});
