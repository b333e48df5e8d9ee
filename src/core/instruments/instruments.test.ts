import fc from 'fast-check';
import { tankHistory } from '../history/derive';
import { readingWords } from '../history/reading';
import { shownReading } from '../history/shown';
import { kitFrom } from '../records/kitTemplates';
import { DAY, HOUR, LogBuilder, onDay } from '../../testing/logBuilder';
import { corrected, driftDoubt, trustOf, type Check } from './correction';
import { supplyOf, supplyWords } from './supply';
import { trustWords } from './trustWords';

const check = (day: number, offset: number, adjusted: boolean, slope = 1): Check => ({
  at: onDay(day),
  dimension: 'salinity',
  fault: { offset, slope },
  adjusted,
});

describe('a reading corrected by calibrations', () => {
  it('stands as it was read where the instrument was never off', () => {
    expect(corrected([], 35, onDay(1))).toEqual({ value: 35, doubt: 0 });
    expect(corrected([check(0, 0, true), check(9, 0, true)], 35, onDay(5)).value).toBe(35);
  });

  it('before the first check takes the whole of what was found, and doubts half of it', () => {
    expect(corrected([check(9, 1.2, true)], 36.2, onDay(2))).toEqual({
      value: 35,
      doubt: expect.closeTo(0.6, 9) as number,
    });
  });

  it('between two checks takes it by how much of the time had passed', () => {
    const checks = [check(0, 0, true), check(10, 1, true)];
    expect(corrected(checks, 36, onDay(5)).value).toBeCloseTo(35.5, 9);
    expect(corrected(checks, 36, onDay(0, 13)).value).toBeCloseTo(36, 2);
  });

  it('after the last check counts what was left as it is, and nothing that was set right', () => {
    expect(corrected([check(0, 1, false)], 36, onDay(5)).value).toBeCloseTo(35, 9);
    expect(corrected([check(0, 1, true)], 36, onDay(5)).value).toBe(36);
    expect(corrected([check(0, 1, false, 1.1)], 39.5, onDay(5)).value).toBeCloseTo(35, 9);
  });

  it('never lies outside of what the two ends would make of it', () => {
    const fault = fc.record({
      offset: fc.double({ min: -3, max: 3, noNaN: true }),
      slope: fc.double({ min: 0.8, max: 1.2, noNaN: true }),
    });
    fc.assert(
      fc.property(fault, fault, fc.boolean(), fc.integer({ min: 1, max: 9 }), (a, b, set, day) => {
        const checks: Check[] = [
          { ...check(0, 0, set), fault: a },
          { ...check(10, 0, true), fault: b },
        ];
        const first = set ? 35 : (35 - a.offset) / a.slope;
        const last = (35 - b.offset) / b.slope;
        const { value } = corrected(checks, 35, onDay(day));
        expect(value).toBeGreaterThanOrEqual(Math.min(first, last) - 1e-9);
        expect(value).toBeLessThanOrEqual(Math.max(first, last) + 1e-9);
      }),
    );
  });
});

describe('a calibration in the log', () => {
  const built = (adjusted: boolean) => {
    const builder = new LogBuilder();
    const early = builder.digital('refractometer', onDay(1), 36);
    builder.entry(onDay(10), {
      kind: 'calibration',
      kitId: builder.kit('refractometer'),
      unit: 'ppt',
      points: [{ standard: 35, read: 36 }],
      adjusted,
    });
    const late = builder.digital('refractometer', onDay(11), 36);
    const of = (id: string, moment = Infinity) =>
      tankHistory(builder.log(), builder.tankId, moment).readings.salinity.find((r) => r.id === id);
    return { early: (moment?: number) => of(early, moment), late: () => of(late) };
  };

  it('reads the past anew, with what was read beside it', () => {
    const reading = built(true).early();
    if (!reading) throw new Error('no reading');
    expect(reading.best).toBeCloseTo(35, 9);
    expect(reading.asRead).toBe(36);
    expect(readingWords(reading)).toBe('35.0 ppt (read as 36.0)');
    expect(shownReading(reading, 'ppt').value).toBe('35.0');
    expect(reading.range.high - reading.range.low).toBeGreaterThan(1);
  });

  it('is not known before it was made', () => {
    expect(built(true).early(onDay(9))?.asRead).toBeNull();
  });

  it('leaves what comes after alone if the instrument was set right, and not otherwise', () => {
    expect(built(true).late()?.asRead).toBeNull();
    expect(built(false).late()?.best).toBeCloseTo(35, 9);
  });

  it('takes a zero away that the instrument could not have shown, and makes none', () => {
    const meter = {
      scale: { form: 'digital' as const, resolution: 0.01, accuracy: 0.01, compensated: true },
      unit: 'ammonia N' as const,
    };
    const read = (value: number, standard: number, shows: number) => {
      const builder = new LogBuilder();
      builder.digital('ammoniaCard', onDay(2), value, meter);
      builder.entry(onDay(1), {
        kind: 'calibration',
        kitId: builder.kit('ammoniaCard', meter),
        unit: 'ammonia N',
        points: [{ standard, read: shows }],
        adjusted: false,
      });
      return tankHistory(builder.log(), builder.tankId).readings.ammonia[0];
    };
    // It shows half a ppm too little: 0 may be half a ppm.
    expect(read(0, 1, 0.5)).toMatchObject({ best: 0.5, zero: null });
    expect(read(0, 1, 1)).toMatchObject({ best: 0, zero: true });
    const lowered = read(0.5, 1, 1.5);
    expect(lowered).toMatchObject({ best: 0, zero: false, clearlyAbove: false });
    expect(lowered?.range.low).toBe(0);
  });

  it('in a unit of something else says nothing', () => {
    const builder = new LogBuilder();
    builder.digital('refractometer', onDay(1), 34);
    const kitId = builder.kit('refractometer');
    const points = [{ standard: 7, read: 9 }];
    builder.entry(onDay(2), { kind: 'calibration', kitId, unit: 'pH', points, adjusted: true });
    expect(tankHistory(builder.log(), builder.tankId).readings.salinity[0]?.asRead).toBeNull();
  });

  it('is taken back with everything it changed', () => {
    const builder = new LogBuilder();
    builder.digital('phPen', onDay(1), 8.2);
    const kitId = builder.kit('phPen');
    const points = [
      { standard: 7, read: 7.1 },
      { standard: 10, read: 10.1 },
    ];
    builder.entry(onDay(3), { kind: 'calibration', kitId, unit: 'pH', points, adjusted: true });
    const best = () => tankHistory(builder.log(), builder.tankId).readings.ph[0]?.best;
    expect(best()).toBeCloseTo(8.1, 9);
    const made = builder.revisions.at(-1);
    if (made?.type !== 'entry') throw new Error('no calibration');
    builder.revisions.push({
      ...made,
      rev: 2,
      parentRev: 1,
      parentAct: made.actId,
      actId: builder.newId(),
      deleted: true,
    });
    expect(best()).toBe(8.2);
  });
});

describe('trust in an instrument', () => {
  it('decays with the days since it was checked against a standard', () => {
    expect(trustOf([], 30, onDay(5))).toEqual({ state: 'never', days: null, every: 30 });
    const checks = [check(0, 0, true)];
    expect(trustOf(checks, 30, onDay(29)).state).toBe('fresh');
    expect(trustOf(checks, 30, onDay(31)).state).toBe('overdue');
    expect(driftDoubt(trustOf(checks, 30, onDay(15)), 1)).toBeCloseTo(0.5, 9);
    expect(driftDoubt(trustOf(checks, 30, onDay(300)), 1)).toBe(2);
    expect(driftDoubt(trustOf([], 30, onDay(15)), 1)).toBe(0);
  });

  it('says how long ago that was, and how far it was off', () => {
    const words = (checks: Check[], day: number) => trustWords('ppt', checks, 30, onDay(day));
    expect(words([], 5)).toBe('never checked against a standard');
    expect(words([check(0, 0, true)], 5)).toBe('right against its standard 5 days ago');
    expect(words([check(0, 0.6, true)], 40)).toBe(
      'checked against its standard 40 days ago, showed 0.6 ppt too much, set right then: due again',
    );
    expect(words([check(0, -0.6, false)], 1)).toBe(
      'checked against its standard 1 day ago, showed 0.6 ppt too little, left as it is',
    );
  });
});

describe('what is left of a kit', () => {
  const kit = {
    ...kitFrom('nitrateCard', 0),
    pack: { tests: 20, since: '2026-03-02' },
  };
  const every = (days: number, count: number) =>
    Array.from({ length: count }, (_, i) => onDay(0) + i * days * DAY + HOUR);

  it('is its tests less those made, and lasts by the pace of the last weeks', () => {
    const supply = supplyOf(kit, every(2, 8), onDay(14) + 2 * HOUR, 'UTC');
    expect(supply?.left).toBe(12);
    expect(supply && supplyWords(supply, 'UTC')).toBe(
      'about 12 tests left, to early-April at your pace',
    );
    expect(supply?.pace).toBeCloseTo(8 / 14, 1);
    const days = ((supply?.until ?? 0) - onDay(14)) / DAY;
    expect(days).toBeGreaterThan(19);
    expect(days).toBeLessThan(23);
  });

  it('ends with the date that is printed, where that comes first', () => {
    const dated = { ...kit, expiresOn: '2026-03-20' };
    const supply = supplyOf(dated, every(7, 3), onDay(15), 'UTC');
    expect(supply).toMatchObject({ byDate: true });
    expect(supply && supplyWords(supply, 'UTC')).toMatch(/but good only to late-March$/);
  });

  it('says nothing of a pack that was not told, and never falls under zero', () => {
    expect(supplyOf({ ...kit, pack: undefined }, [], onDay(1), 'UTC')).toBeNull();
    expect(supplyOf(kit, every(0.1, 40), onDay(20), 'UTC')?.left).toBe(0);
    expect(supplyOf(kit, [], onDay(1), 'UTC')).toMatchObject({ left: 20, pace: null, until: null });
  });
});
