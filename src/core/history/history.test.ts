import fc from 'fast-check';
import {
  cardRange,
  doseRise,
  EMPTY_LOG,
  headsOfType,
  isoInZone,
  latestReading,
  mergeRevisions,
  readingWords,
  reviseRecord,
  salinityFromHydrometer,
  tankHistory,
  trendOf,
  type DoseEntry,
} from '..';
import { LogBuilder, onDay } from '../../testing/logBuilder';
import { allEvents, entrySpan, eventSearch } from './events';

const steps = [0, 0.25, 0.5, 1, 2, 4];

describe('a card step', () => {
  it('stands for the part of the scale nearest to it', () => {
    expect(cardRange(steps, 0, 0)).toEqual({ low: 0, high: 0.125 });
    expect(cardRange(steps, 2, 2)).toEqual({ low: 0.375, high: 0.75 });
    expect(cardRange(steps, 2, 3)).toEqual({ low: 0.5, high: 1 });
    expect(cardRange(steps, 5, 5)).toEqual({ low: 3, high: Infinity });
  });

  it('covers the scale without gaps', () => {
    for (let i = 1; i < steps.length; i += 1) {
      expect(cardRange(steps, i, i).low).toBe(cardRange(steps, i - 1, i - 1).high);
    }
  });
});

describe('a reading', () => {
  it('is canonical through its kit, so that a corrected basis corrects the past', () => {
    const builder = new LogBuilder();
    builder.ammonia(onDay(2), 2);
    const asNh4 = tankHistory(builder.log(), builder.tankId).readings.ammonia[0];
    expect(asNh4?.best).toBeCloseTo((2 * 14.007) / 18.039, 6);

    const kit = headsOfType(builder.log(), 'kit')[0];
    if (!kit) throw new Error('no kit');
    const corrected = mergeRevisions(builder.log(), [
      reviseRecord(builder.stamp(), kit, { ...kit.body, unit: 'ammonia N' }),
    ]);
    expect(tankHistory(corrected, builder.tankId).readings.ammonia[0]?.best).toBe(2);
  });

  it('keeps its meaning when the kit’s card is edited later', () => {
    const builder = new LogBuilder();
    builder.nitrite(onDay(2), 0.5);
    const kit = headsOfType(builder.log(), 'kit')[0];
    if (!kit) throw new Error('no kit');
    const edited = mergeRevisions(builder.log(), [
      reviseRecord(builder.stamp(), kit, {
        ...kit.body,
        scale: { form: 'card', steps: [0, 5, 10] },
      }),
    ]);
    const reading = tankHistory(edited, builder.tankId).readings.nitrite[0];
    expect(reading && readingWords(reading)).toBe('0.5 ppm NO2');
  });

  it('between two steps is not zero, and a trace is not clearly above', () => {
    const builder = new LogBuilder();
    builder.ammonia(onDay(1), [0, 0.25]);
    builder.ammonia(onDay(2), 0);
    builder.ammonia(onDay(3), 0.25);
    const { ammonia } = tankHistory(builder.log(), builder.tankId).readings;
    expect(ammonia.map((r) => r.zero)).toEqual([false, true, false]);
    expect(ammonia.map((r) => r.clearlyAbove)).toEqual([false, false, true]);
    expect(ammonia[0]?.typed).toBe('between 0 and 0.25');
  });

  it('diluted counts for more and can show no zero', () => {
    const builder = new LogBuilder();
    builder.card('nitriteCard', onDay(1), 1, { dilution: 4 });
    builder.card('nitriteCard', onDay(2), 0, { dilution: 4 });
    const [one, zero] = tankHistory(builder.log(), builder.tankId).readings.nitrite;
    expect(one?.best).toBeCloseTo((4 * 14.007) / 46.005, 6);
    expect(zero?.zero).toBeNull();
  });

  it('on a card that does not reach down to zero can show none', () => {
    const builder = new LogBuilder();
    const kit = { scale: { form: 'card' as const, steps: [1, 2, 5] } };
    builder.card('nitriteCard', onDay(1), 1, { kit });
    expect(tankHistory(builder.log(), builder.tankId).readings.nitrite[0]?.zero).toBeNull();
  });

  it('digital, at zero within its accuracy, is zero only if that accuracy is small', () => {
    const checker = (accuracy: number) => ({
      unit: 'nitrite ppb N' as const,
      scale: { form: 'digital' as const, resolution: 1, accuracy, compensated: true },
    });
    const zeroWith = (accuracy: number) => {
      const builder = new LogBuilder();
      builder.digital('nitriteCard', onDay(1), 3, checker(accuracy));
      return tankHistory(builder.log(), builder.tankId).readings.nitrite[0]?.zero;
    };
    expect(zeroWith(10)).toBe(true);
    expect(zeroWith(200)).toBeNull();
  });

  it('is expired from the day after the printed one, in the tank’s zone', () => {
    const builder = new LogBuilder({ zone: 'Pacific/Auckland' });
    const kit = { expiresOn: '2026-03-10' };
    const reading = (at: string) => builder.card('ammoniaCard', Date.parse(at), 0, { kit });
    reading('2026-03-10T10:00:00Z');
    reading('2026-03-10T12:00:00Z');
    const { ammonia } = tankHistory(builder.log(), builder.tankId).readings;
    expect(ammonia.map((r) => r.expired)).toEqual([false, true]);
  });

  it('that cannot be is kept and does not count', () => {
    const builder = new LogBuilder();
    builder.digital('phPen', onDay(1), 8.2);
    builder.digital('phPen', onDay(2), 82);
    const history = tankHistory(builder.log(), builder.tankId);
    expect(history.readings.ph).toHaveLength(2);
    expect(latestReading(history, 'ph')?.best).toBe(8.2);
  });

  it('of a hydrometer is corrected by the temperature of the same test session', () => {
    const builder = new LogBuilder();
    builder.digital('hydrometer', onDay(1), 1.025);
    builder.digital('thermometer', onDay(1), 28);
    const reading = tankHistory(builder.log(), builder.tankId).readings.salinity[0];
    expect(reading?.best).toBeCloseTo(salinityFromHydrometer(1.025, 'sg25', 28), 9);
  });
});

describe('a tank’s history', () => {
  it('does not depend on the order in which entries were made', () => {
    const builder = new LogBuilder();
    for (let day = 1; day < 8; day += 1) {
      builder.ammonia(onDay(day), steps[day % 6] ?? 0);
      builder.nitrite(onDay(day), 0.5);
    }
    builder.dose(onDay(3), 2);
    const expected = tankHistory(builder.log(), builder.tankId);
    fc.assert(
      fc.property(
        fc.shuffledSubarray(builder.revisions, { minLength: builder.revisions.length }),
        (rows) => {
          expect(tankHistory(mergeRevisions(EMPTY_LOG, rows), builder.tankId)).toEqual(expected);
        },
      ),
      { numRuns: 30 },
    );
  });

  it('of two readings at one moment lets the higher count', () => {
    const builder = new LogBuilder();
    builder.nitrite(onDay(4), 1);
    builder.nitrite(onDay(4), 0);
    expect(latestReading(tankHistory(builder.log(), builder.tankId), 'nitrite')?.typed).toBe('1');
  });

  it('leaves out what lies after the moment asked for', () => {
    const builder = new LogBuilder();
    builder.ammonia(onDay(2), 2);
    builder.ammonia(onDay(9), 0);
    const history = tankHistory(builder.log(), builder.tankId, onDay(5));
    expect(history.readings.ammonia).toHaveLength(1);
  });

  it('refuses a tank that is not there', () => {
    expect(() => tankHistory(EMPTY_LOG, 'nobody')).toThrow(RangeError);
  });
});

describe('a dose of ammonia', () => {
  const dose = (changes: Partial<DoseEntry>) =>
    doseRise(
      { substance: 'ammoniumChloride', amount: { by: 'mL', mL: 1 }, strength: null, ...changes },
      100,
    );
  const label = {
    by: 'label' as const,
    amount: 20,
    unit: 'drop' as const,
    litres: 10,
    gives: 2,
    basis: 'ammonia NH3' as const,
  };

  it('by the label comes to what the label says, on its basis', () => {
    const amount = { by: 'drops' as const, drops: 200, dropMl: 0.05 };
    expect(dose({ amount, strength: label })).toBeCloseTo((2 * 14.007) / 17.031, 6);
    const asMl = { by: 'mL' as const, mL: 10 };
    expect(dose({ amount: asMl, strength: label })).toBeCloseTo((2 * 14.007) / 17.031, 6);
  });

  it('by weight is a quarter nitrogen: 3.819 g of salt carry 1 g', () => {
    const amount = { by: 'grams' as const, grams: 3.819 };
    expect(dose({ amount, strength: { by: 'pure' } })).toBeCloseTo(10, 2);
  });

  it('of a 10 % solution is a tenth of its weight', () => {
    const amount = { by: 'mL' as const, mL: 38.19 };
    expect(dose({ amount, strength: { by: 'percent', percent: 10 } })).toBeCloseTo(10, 2);
  });

  it('of unknown strength, or of something else, is not known', () => {
    expect(dose({})).toBeNull();
    expect(dose({ substance: 'bacteria', strength: { by: 'pure' } })).toBeNull();
    expect(dose({ amount: { by: 'grams', grams: 1 }, strength: label })).toBeNull();
  });
});

describe('a trend', () => {
  const trend = (...values: [day: number, step: number][]) => {
    const builder = new LogBuilder();
    for (const [day, step] of values) builder.nitrite(onDay(day), step);
    return trendOf(tankHistory(builder.log(), builder.tankId).readings.nitrite);
  };

  it('goes by the reading before', () => {
    expect(trend([1, 2], [3, 1])?.direction).toBe('falling');
    expect(trend([1, 0.25], [3, 1])?.direction).toBe('rising');
    expect(trend([1, 1], [3, 1])?.direction).toBe('steady');
  });

  it('is one move from where it began: 8.6, 7.4, 7.1 is falling, not steady', () => {
    const builder = new LogBuilder();
    for (const [day, dkh] of [
      [1, 7.2],
      [2, 8.6],
      [5, 7.4],
      [8, 7.1],
    ] as const) {
      builder.digital('alkalinityDrops', onDay(day), dkh);
    }
    const { alkalinity } = tankHistory(builder.log(), builder.tankId).readings;
    const found = trendOf(alkalinity);
    expect(found?.direction).toBe('falling');
    expect(found?.since.at).toBe(onDay(2));
    expect(trend([1, 2], [3, 1], [5, 1])?.direction).toBe('steady');
  });

  it('needs two readings neither hours nor weeks apart', () => {
    expect(trend([1, 1])).toBeNull();
    expect(trend([1, 5], [1.1, 1])).toBeNull();
    expect(trend([1, 5], [40, 1])).toBeNull();
  });
});

it('writes instants that carry their zone', () => {
  expect(isoInZone(onDay(0), 'UTC')).toBe('2026-03-02T12:00:00+00:00');
});

describe('entries as lines', () => {
  const builder = new LogBuilder();
  builder.nitrite(onDay(2), 2);
  builder.nitrite(onDay(5), 0);
  builder.entry(onDay(3), { kind: 'note', text: 'Skimmer foams' });
  const history = tankHistory(builder.log(), builder.tankId, onDay(9));
  const events = allEvents(history);

  it('are found by all words of a text, in any order and case', () => {
    const search = eventSearch(history);
    const { find } = search;
    expect(find('FOAMS skim').map(({ note }) => note)).toEqual(['Skimmer foams']);
    expect(find('nitrite')).toHaveLength(2);
    expect(find('nitrite foams')).toEqual([]);
    expect(find('  ')).toBe(search.events);
    expect(search.events).toEqual(events);
    expect(find('nitrite', 1).map(({ id }) => id)).toEqual([find('nitrite')[0]?.id]);
    // Prepared once, whoever asks.
    expect(eventSearch(history)).toBe(search);
  });

  it('are counted without being put in words', () => {
    const { count, first } = entrySpan(history);
    expect([count, first]).toEqual([events.length, events.at(-1)?.at]);
    const none = Object.fromEntries(Object.keys(history.entries).map((kind) => [kind, []]));
    expect(entrySpan({ ...history, entries: none as never })).toEqual({ count: 0, first: null });
  });
});
