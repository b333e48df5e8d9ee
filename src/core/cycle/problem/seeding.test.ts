import fc from 'fast-check';
import { day } from '../../../testing/ensembles';
import { FILLED, HOUR, TEST_TANK } from '../../../testing/logBuilder';
import type { Bottle } from '../../records/kinds/dose';
import type { Tank } from '../../records/schema/tank';
import { bottleShare, bottleVigour, mediaCapacity, seedPrior, unknownSeed } from './seeding';
import { organicsEffect } from './organics';
import { StepOrder } from './steps';

const bottle = (changes: Partial<Bottle> = {}): Bottle => ({
  keeps: 'refrigerated',
  storedCold: true,
  madeOn: '2026-01-01',
  forLitres: null,
  ...changes,
});
const rock = (kind: Tank['rock'], rockKg = 12): Tank => ({
  ...TEST_TANK,
  rock: kind,
  volume: { ...TEST_TANK.volume, rockKg },
});

describe('a bottle of bacteria', () => {
  it('only loses by age, sooner out of the fridge, and never all of it', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 2000 }),
        fc.constantFrom<Bottle['keeps']>('refrigerated', 'shelfStable', 'unknown'),
        (age, keeps) => {
          const at = Date.parse('2026-01-01T00:00:00Z') + age * 24 * HOUR;
          const cold = bottleVigour(bottle({ keeps }), at, 'UTC');
          const warm = bottleVigour(bottle({ keeps, storedCold: false }), at, 'UTC');
          expect(cold).toBeLessThanOrEqual(1);
          expect(warm).toBeLessThanOrEqual(cold);
          expect(warm).toBeGreaterThanOrEqual(0.01);
        },
      ),
    );
  });

  it('is fresh where nobody knows its age, and half gone after its half-life', () => {
    expect(bottleVigour(bottle({ madeOn: null }), day(9), 'UTC')).toBe(1);
    expect(bottleVigour(undefined, day(9), 'UTC')).toBe(1);
    const after = Date.parse('2026-05-01T12:00:00Z');
    expect(bottleVigour(bottle(), after, 'UTC')).toBeCloseTo(0.5, 6);
  });

  it('counts by the water that it is for, within reason', () => {
    expect(bottleShare(bottle({ forLitres: 200 }), 100)).toBe(2);
    expect(bottleShare(bottle({ forLitres: 1 }), 1000)).toBe(0.05);
    expect(bottleShare(bottle(), 100)).toBe(1);
  });
});

describe('what filter bacteria start from', () => {
  it('has the room of the usual rock where nobody weighed the rock, and little without any', () => {
    const room = (kind: Tank['rock'], kg: number) => seedPrior(rock(kind, kg), 100).ceiling;
    expect(room('dryRock', 0)).toBe(room('dryRock', 12));
    expect(room('liveRock', 0)).toBe(room('liveRock', 12));
    expect(room('none', 0)).toBeLessThan(0.4 * room('dryRock', 0));
  });

  it('is more the more is alive on the rock, and follows how much live rock there is', () => {
    const capacity = (kind: Tank['rock'], kg = 12) => seedPrior(rock(kind, kg), 100).capacityA;
    expect(capacity('liveRock')).toBeGreaterThan(100 * capacity('dryRock'));
    expect(capacity('none')).toBeLessThan(capacity('dryRock'));
    expect(capacity('liveRock', 6)).toBeCloseTo(capacity('liveRock') / 2, 9);
    expect(capacity('dryRock', 6)).toBe(capacity('dryRock'));
  });

  it('has more organic matter on old dry rock, and more room on more rock', () => {
    expect(seedPrior(rock('organicDryRock'), 100).organic).toBeGreaterThan(
      5 * seedPrior(rock('dryRock'), 100).organic,
    );
    expect(seedPrior(rock('dryRock', 20), 100).ceiling).toBeGreaterThan(
      seedPrior(rock('dryRock', 2), 100).ceiling,
    );
  });

  it('is anybody’s guess in a tank older than its log', () => {
    const known = seedPrior(rock('dryRock'), 100);
    const unknown = unknownSeed(rock('dryRock'), 100);
    expect(unknown.sdA).toBeGreaterThan(known.sdA);
    expect(unknown.capacityA).toBeGreaterThan(known.capacityA);
  });

  it('is added to by media as much as there is of them, by the water they go into', () => {
    const of = (amount: number, litres: number) =>
      mediaCapacity({ to: 'in', media: 'establishedMedia', amount, unit: 'L' }, litres).capacityA;
    expect(of(2, 100)).toBeCloseTo(2 * of(1, 100), 9);
    expect(of(1, 200)).toBeCloseTo(of(1, 100) / 2, 9);
  });
});

describe('organic matter', () => {
  it('comes in by weight and goes by what is siphoned', () => {
    expect(organicsEffect({ what: 'prawnIn', grams: 10 }, 100)).toEqual({
      organic: 3,
      organicKept: 1,
    });
    const kept = (amount: 'little' | 'some' | 'much') =>
      organicsEffect({ what: 'siphoned', amount }, 100).organicKept;
    expect(kept('little')).toBeGreaterThan(kept('some'));
    expect(kept('some')).toBeGreaterThan(kept('much'));
  });
});

describe('things landed on steps', () => {
  it('keep the order in which they happened: a test sees all before it and nothing after', () => {
    const things = fc.array(
      fc.record({
        hours: fc.double({ min: 0, max: 24 * 20, noNaN: true }),
        test: fc.boolean(),
      }),
      { minLength: 1, maxLength: 40 },
    );
    fc.assert(
      fc.property(things, fc.constantFrom(6, 8, 12), (list, perDay) => {
        const order = new StepOrder(FILLED, perDay);
        const placed = [...list]
          .sort((a, b) => a.hours - b.hours)
          .map(({ hours, test }) => {
            const at = FILLED + hours * HOUR;
            return { test, step: test ? order.readingIndex(at) : order.eventStep(at) };
          });
        placed.forEach((a, i) => {
          for (const b of placed.slice(i + 1)) {
            // An index of the course is the state before the events of its step.
            if (!a.test && b.test) expect(b.step).toBeGreaterThan(a.step);
            else expect(b.step).toBeGreaterThanOrEqual(a.step);
          }
        });
      }),
    );
  });
});
