import fc from 'fast-check';
import { tankHistory } from '../history/derive';
import { seededRandom } from '../math/random';
import { LogBuilder, onDay } from '../../testing/logBuilder';
import { aroundThen, largestMove } from './aroundThen';
import { consumptionOf } from './consumption';
import { goesByLine, holdingOf, stabilityOf } from './stability';
import { holdingWords, swingWords, consumptionWords } from './stabilityWords';

const DKH = 0.35663;
const of = (builder: LogBuilder) => tankHistory(builder.log(), builder.tankId);
/** Salinity read every second day: a line, a swing about it. */
function salinityOf(perDay: number, swing: number, count = 12, seed = 1) {
  const random = seededRandom(seed);
  const builder = new LogBuilder();
  for (let i = 0; i < count; i += 1) {
    const normal = random() + random() + random() + random() - 2;
    const value = 35 + perDay * 2 * i + swing * normal * Math.sqrt(3);
    builder.digital('refractometer', onDay(2 * i), value);
  }
  return of(builder).readings.salinity;
}

describe('how a parameter holds', () => {
  it('cannot be told from a few readings, nor from a few days', () => {
    expect(stabilityOf(salinityOf(0, 0.1, 4), onDay(30))).toBeNull();
    const builder = new LogBuilder();
    for (let hour = 0; hour < 20; hour += 1) builder.digital('refractometer', onDay(1, hour), 35);
    expect(stabilityOf(of(builder).readings.salinity, onDay(3))).toBeNull();
    expect(holdingWords(null, 'salinity', 35, 'ppt')).toBe('too few to tell');
  });

  it('finds a line exactly where there is nothing else', () => {
    fc.assert(
      fc.property(fc.double({ min: -0.5, max: 0.5, noNaN: true }), (perDay) => {
        const found = stabilityOf(salinityOf(perDay, 0), onDay(30));
        expect(found?.slope).toBeCloseTo(perDay, 6);
        expect(found?.spread).toBeCloseTo(0, 6);
      }),
      { numRuns: 20 },
    );
  });

  it('holds the true slope in its range about as often as it says', () => {
    let held = 0;
    const tries = 300;
    for (let seed = 0; seed < tries; seed += 1) {
      const found = stabilityOf(salinityOf(0.05, 0.3, 12, seed), onDay(30));
      if (found && found.slopeRange.low <= 0.05 && found.slopeRange.high >= 0.05) held += 1;
    }
    // 8 in 10, and the ranks of twelve readings are coarse.
    expect(held / tries).toBeGreaterThan(0.74);
    expect(held / tries).toBeLessThan(0.93);
  });

  it('is not moved by one wild reading', () => {
    const builder = new LogBuilder();
    for (let i = 0; i < 12; i += 1) builder.digital('refractometer', onDay(i), i === 5 ? 29 : 35);
    const found = stabilityOf(of(builder).readings.salinity, onDay(14));
    expect(found?.slope).toBeCloseTo(0, 9);
    expect(found?.spread).toBe(0);
  });

  it('says nothing of what rises and falls in turn while a tank cycles', () => {
    const cycling = of(new LogBuilder());
    const running = of(new LogBuilder({ runningSince: '2026-03-02' }));
    expect(goesByLine('nitrite', cycling)).toBe(false);
    expect(goesByLine('alkalinity', cycling)).toBe(true);
    expect(goesByLine('nitrate', running)).toBe(true);
  });

  it('says that it drifts only where it is sure, and meaningful', () => {
    const words = (perDay: number, swing: number) => {
      const found = stabilityOf(salinityOf(perDay, swing, 20), onDay(60));
      return holdingWords(found, 'salinity', 35, 'ppt');
    };
    expect(words(-0.15, 0.05)).toMatch(
      /^drifting down 0\.1[45] ppt a day, between 0\.1\d* and 0\.1/,
    );
    expect(words(0.08, 0.02)).toMatch(/^drifting up 0\.5\d ppt a week/);
    expect(words(0.01, 0.02)).toBe('steady');
    expect(words(0.06, 3)).toBe('steady');
    const tiny = stabilityOf(salinityOf(0.01, 0.001), onDay(30));
    expect(tiny && holdingOf(tiny, 0.4)).toBe('steady');
  });

  it('says how far it swings, and that steadiness comes first where that is much', () => {
    const found = stabilityOf(salinityOf(0, 0.8, 20), onDay(60));
    if (!found) throw new Error('too few');
    expect(found.spreadRange.low).toBeLessThan(found.spread);
    expect(found.spreadRange.high).toBeGreaterThan(found.spread);
    expect(swingWords(found, 35, 'ppt', { low: 33, high: 36 })).toMatch(/steadiness comes before/);
    expect(swingWords(found, 35, 'ppt', undefined)).not.toMatch(/steadiness/);
  });
});

describe('what a tank uses', () => {
  it('is the fall between readings and what was added, without days of water changes', () => {
    const builder = new LogBuilder();
    const read = (day: number, dkh: number) => builder.digital('alkalinityDrops', onDay(day), dkh);
    read(0, 9);
    read(4, 8.2);
    expect(consumptionOf(of(builder), 'alkalinity')).toBeNull();
    // 100 L: 3 g of baking soda bring back 1 dKH.
    builder.entry(onDay(5), {
      kind: 'dose',
      substance: 'alkalinity',
      amount: { by: 'grams', grams: 3 },
      strength: null,
      about: false,
    });
    read(8, 8.4);
    builder.waterChange(onDay(9), 50);
    read(12, 9.9);
    const use = consumptionOf(of(builder), 'alkalinity');
    expect(use?.pairs).toBe(2);
    expect((use?.perDay ?? 0) / DKH).toBeCloseTo(0.2, 2);
    expect(use && consumptionWords(use, 8 * DKH, 'dKH')).toMatch(
      /^The tank uses about 0\.2 dKH a day/,
    );
  });

  it('leaves out what lime water and two-part brought, which nobody here can weigh', () => {
    const used = (substance: 'kalk' | 'twoPart' | 'traces') => {
      const builder = new LogBuilder();
      for (const [day, dkh] of [
        [0, 9],
        [4, 8.2],
        [8, 7.4],
        [12, 8],
      ] as const) {
        builder.digital('alkalinityDrops', onDay(day), dkh);
        builder.digital('calciumDrops', onDay(day), 420 - 5 * day);
      }
      builder.entry(onDay(10), {
        kind: 'dose',
        substance,
        amount: { by: 'mL', mL: 500 },
        strength: null,
        about: false,
      });
      return (['alkalinity', 'calcium'] as const).map(
        (parameter) => consumptionOf(of(builder), parameter)?.pairs,
      );
    };
    expect([used('kalk'), used('twoPart'), used('traces')]).toEqual([
      [2, 2],
      [2, 2],
      [3, 3],
    ]);
  });

  it('is nothing where it rises by itself', () => {
    const builder = new LogBuilder();
    for (const [day, ca] of [
      [0, 400],
      [4, 410],
      [8, 425],
    ] as const) {
      builder.digital('calciumDrops', onDay(day), ca);
    }
    const use = consumptionOf(of(builder), 'calcium');
    expect(use?.perDay).toBeLessThan(0);
    expect(use && consumptionWords(use, 420, 'ppm Ca')).toMatch(/^Nothing is used/);
  });
});

describe('what changed around then', () => {
  const builder = new LogBuilder();
  for (const [day, dkh] of [
    [0, 8],
    [4, 8.1],
    [8, 9.6],
    [12, 9.5],
  ] as const) {
    builder.digital('alkalinityDrops', onDay(day), dkh);
  }
  builder.waterChange(onDay(6), 40);
  builder.entry(onDay(7), { kind: 'note', text: 'Glass cleaned' });
  builder.entry(onDay(1), { kind: 'lid', fitted: true });
  builder.waterChange(onDay(-20), 40);

  it('asks at the largest move', () => {
    const move = largestMove(of(builder), 'alkalinity', onDay(14));
    expect(move?.at).toBe(onDay(8));
    expect(largestMove(of(builder), 'ph', onDay(14))).toBeNull();
  });

  it('lists what moves it before what only lies near, and nothing from long ago', () => {
    const suspects = aroundThen(of(builder), 'alkalinity', onDay(8));
    expect(suspects.map(({ title }) => title)).toEqual(['Water change', 'Note']);
    expect(suspects[0]?.daysBefore).toBe(2);
    expect(suspects[0]?.because).toBe('it moves alkalinity itself');
    expect(suspects[0]?.weight).toBeGreaterThan(suspects[1]?.weight ?? 1);
    expect(aroundThen(of(builder), 'temperature', onDay(2))[0]?.title).toBe('Lid fitted');
  });
});
