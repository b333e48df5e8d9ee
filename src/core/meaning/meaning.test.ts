import fc from 'fast-check';
import {
  bandsOf,
  doubtOf,
  freeAmmoniaFraction,
  judgeFreeAmmonia,
  testSessionMeaning,
  tankHistory,
  type TestSession,
} from '..';
import { LogBuilder, onDay } from '../../testing/logBuilder';

const bands = bandsOf('mixedReef', {});

/** What a test session logged at `at` means, given what was logged before it. */
function meaningOf(builder: LogBuilder, at: number) {
  const all = tankHistory(builder.log(), builder.tankId, at);
  const before = tankHistory(builder.log(), builder.tankId, at - 1);
  const testSession: TestSession = {};
  for (const list of Object.values(all.readings)) {
    const last = list.at(-1);
    if (last?.at === at) testSession[last.parameter] = last;
  }
  return testSessionMeaning(testSession, before, bands, at);
}

describe('free ammonia', () => {
  it('uses what was measured and says what it assumed', () => {
    const known = judgeFreeAmmonia({
      tan: { low: 0.9, high: 1.1 },
      ph: { value: 8.1, source: 'now' },
      temperature: { value: 25, source: 'now' },
      salinity: { value: 35, source: 'now' },
    });
    expect(known.range.low).toBeCloseTo(0.9 * freeAmmoniaFraction(8.05, 25, 35), 9);
    expect(known.range.high).toBeCloseTo(1.1 * freeAmmoniaFraction(8.15, 25, 35), 9);
    const blind = judgeFreeAmmonia({ tan: { low: 0.9, high: 1.1 } });
    expect(blind.ph.source).toBe('assumed');
    expect(blind.range.high - blind.range.low).toBeGreaterThan(known.range.high - known.range.low);
  });

  it('of a card at its last step is finite, and judged high', () => {
    const result = judgeFreeAmmonia({ tan: { low: 3, high: Infinity } });
    expect(Number.isFinite(result.range.high)).toBe(true);
    // The last step is 4 and begins at 3: it may be twice what is printed, and more.
    expect(result.tan.high).toBeGreaterThanOrEqual(8);
    expect(result.level).toBe('emergency');
  });
});

describe('the meaning of a test session', () => {
  it('names free ammonia first, and the halving of nitrite by its weekday', () => {
    const builder = new LogBuilder();
    builder.nitrite(onDay(5), 2);
    builder.ammonia(onDay(8), 0);
    builder.nitrite(onDay(8), 1);
    builder.nitrate(onDay(8), 10);
    builder.digital('phPen', onDay(8), 8.05);
    const texts = meaningOf(builder, onDay(8)).map((m) => m.text);
    expect(texts[0]).toBe('Free ammonia **under 0.01 mg/L**, comfortable.');
    expect(texts).toContain('Nitrite has halved since Saturday.');
    expect(texts.join()).toMatch(/it will not count yet/);
  });

  it('puts danger before everything else', () => {
    const builder = new LogBuilder();
    builder.ammonia(onDay(3), 4);
    builder.digital('thermometer', onDay(3), 27.5);
    const meaning = meaningOf(builder, onDay(3));
    expect(meaning[0]?.tone).toBe('danger');
    expect(meaning.map((m) => m.id)).toEqual(
      expect.arrayContaining(['ammoniaTop', 'temperatureBand']),
    );
  });

  it('says that 1.025 is not 35 ppt', () => {
    const builder = new LogBuilder();
    builder.digital('refractometer', onDay(3), 1.025, { unit: 'sg25' });
    expect(meaningOf(builder, onDay(3)).map((m) => m.id)).toContain('specificGravity');
  });

  it('says on which side of its band a value lies, and what to do there', () => {
    const noteAt = (kit: 'phPen', value: number) => {
      const builder = new LogBuilder();
      builder.digital(kit, onDay(3), value);
      return meaningOf(builder, onDay(3))[0]?.detail;
    };
    expect(noteAt('phPen', 7.6)).toMatch(/closed room.*window/s);
    expect(noteAt('phPen', 8.65)).toMatch(/acid/);
    const builder = new LogBuilder();
    builder.nitrate(onDay(3), 0);
    expect(meaningOf(builder, onDay(3))[0]?.detail).toMatch(/Feed a little more/);
  });

  it('warns under the alkalinity floor, and only watches under the band', () => {
    const toneAt = (dkh: number) => {
      const builder = new LogBuilder();
      builder.digital('alkalinityDrops', onDay(3), dkh);
      return meaningOf(builder, onDay(3))[0]?.tone;
    };
    expect(toneAt(5.5)).toBe('caution');
    expect(toneAt(7)).toBe('watch');
    expect(toneAt(8)).toBeUndefined();
  });
});

describe('a doubt about a value', () => {
  test.each([
    ['ph', 82, 'pH', 'impossible', 8.2],
    ['salinity', 348, 'ppt', 'impossible', 34.8],
    ['temperature', 78, '°C', 'impossible', 25.6],
    ['alkalinity', 140, 'dKH', 'impossible', 7.8],
    ['alkalinity', 80, 'dKH', 'impossible', 8],
    ['temperature', 31, '°C', 'unlikely', undefined],
    ['salinity', 1.026, 'ppt', 'unlikely', 34.2],
  ] as const)('%s %d %s is %s', (parameter, value, unit, kind, instead) => {
    const doubt = doubtOf(parameter, value, unit);
    expect(doubt?.kind).toBe(kind);
    expect(doubt?.question).toMatch(/\?$/);
    if (instead !== undefined) expect(doubt?.instead).toBeCloseTo(instead, 1);
  });

  it('is not raised about ordinary values', () => {
    fc.assert(
      fc.property(fc.double({ min: 7.5, max: 8.6, noNaN: true }), (ph) => {
        expect(doubtOf('ph', ph, 'pH')).toBeNull();
      }),
    );
    expect(doubtOf('salinity', 1.0264, 'sg25')).toBeNull();
    expect(doubtOf('temperature', 78, '°F')).toBeNull();
  });

  it('is raised about a leap from the last one', () => {
    expect(doubtOf('salinity', 30, 'ppt', 35)?.question).toMatch(
      /far from the last salinity, 35 ppt/,
    );
    expect(doubtOf('salinity', 34, 'ppt', 35)).toBeNull();
  });
});
