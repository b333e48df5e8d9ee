import fc from 'fast-check';
import { day, dayOf, problemOn } from '../../../../testing/ensembles';
import {
  dateRange,
  datesByShare,
  momentOf,
  notBefore,
  rounded,
  valueRange,
  weightedDateRange,
  wholePercent,
} from './dates';
import { dateRangeInSentence, dateRangeWords, daySpanWords } from './rangeWords';
import type { DateRange } from '../types';

const problem = problemOn(10);
const even = Array.from({ length: 101 }, (_, i) => 10 + i / 5);

describe('dates of a forecast', () => {
  it('are instants to ten minutes, and none beyond the horizon', () => {
    expect(momentOf(problem, 3.001)).toBe(day(3));
    expect((momentOf(problem, 3.33) ?? 0) % 600_000).toBe(0);
    expect(momentOf(problem, Infinity)).toBeNull();
  });

  it('lie no earlier than the readings allow, and in order still', () => {
    const range = dateRange({ problem, way: 0.5 }, even);
    const held = notBefore({ ...range, p90: null }, day(15));
    const dates = [held.p10, held.p25, held.p50, held.p75];
    expect(dates.every((date) => (date ?? 0) >= day(15))).toBe(true);
    expect([...dates].sort((a, b) => (a ?? 0) - (b ?? 0))).toEqual(dates);
    expect(held.p90).toBeNull();
    expect(notBefore(range, 0)).toEqual(range);
  });

  it('stand in order, wherever on the way the tank is', () => {
    const days = fc.array(fc.double({ min: 0, max: 120, noNaN: true }), {
      minLength: 2,
      maxLength: 60,
    });
    fc.assert(
      fc.property(days, fc.double({ min: 0, max: 1, noNaN: true }), (list, way) => {
        const { p10, p25, p50, p75, p90 } = dateRange({ problem, way }, list);
        const ends = [p10, p25, p50, p75, p90].map(dayOf);
        expect([...ends].sort((a, b) => a - b)).toEqual(ends);
      }),
    );
  });

  it('reach far up early on, and draw in by degrees past two thirds of the way', () => {
    const [early, before, between, late] = [0, 0.65, 0.72, 1].map((way) =>
      dateRange({ problem, way }, even),
    ) as [DateRange, DateRange, DateRange, DateRange];
    expect(before).toEqual(early);
    for (const [wide, narrow] of [
      [before, between],
      [between, late],
    ] as const) {
      expect(dayOf(narrow.p90)).toBeLessThan(dayOf(wide.p90));
      expect(dayOf(narrow.p10)).toBeGreaterThan(dayOf(wide.p10));
      expect(narrow.p50).toBe(wide.p50);
    }
    expect(dayOf(early.p50)).toBeCloseTo(19.4, 1);
  });

  it('by share agree with the range, and only rise', () => {
    for (const way of [0, 0.4, 1]) {
      const range = dateRange({ problem, way }, even);
      const dates = datesByShare({ problem, way }, even);
      expect(dates).toHaveLength(19);
      expect([dates[1], dates[9], dates[17]]).toEqual([range.p10, range.p50, range.p90]);
      const days = dates.map(dayOf);
      expect([...days].sort((a, b) => a - b)).toEqual(days);
    }
  });

  it('with equal weights are those without', () => {
    const order = even.map((_, i) => i);
    const ones = even.map(() => 1);
    const weighted = weightedDateRange({ problem, way: 0.5 }, even, ones, order);
    const plain = dateRange({ problem, way: 0.5 }, even);
    for (const end of ['p10', 'p50', 'p90'] as const) {
      expect(dayOf(weighted[end])).toBeCloseTo(dayOf(plain[end]), 0);
    }
  });

  it('say that what most tanks never reach is beyond what is looked ahead', () => {
    const range = dateRange(
      { problem, way: 0 },
      even.map((value, i) => (i < 50 ? value : Infinity)),
    );
    expect(range.p10).not.toBeNull();
    expect(range.p90).toBeNull();
  });

  it('round figures to what they are worth', () => {
    expect(rounded(0.123456)).toBe(0.1235);
    expect(rounded(1234.56, 2)).toBe(1200);
    expect(valueRange([3, 1, 2])).toMatchObject({ p50: 2 });
  });
});

describe('a range of dates in words', () => {
  const range = (low: number | null, middle: number | null, high: number | null): DateRange => ({
    p10: low === null ? null : day(low),
    p25: low === null ? null : day(low),
    p50: middle === null ? null : day(middle),
    p75: high === null ? null : day(high),
    p90: high === null ? null : day(high),
  });
  // The tank was filled on 2 March.
  it.each([
    [range(10, 12, 14), '12–16 Mar'],
    [range(10, 10, 10), '12 Mar'],
    [range(20, 30, 40), '22 Mar–11 Apr'],
    [range(10, 12, null), 'from 12 Mar'],
    [range(10, null, null), 'after 12 Mar'],
    [range(null, null, null), 'not within four months'],
  ])('%# is short', (dates, words) => expect(dateRangeWords(dates, 'UTC')).toBe(words));

  it.each([
    [range(10, 12, 14), 'between 12 and 16 Mar (8 in 10)'],
    [range(20, 30, 40), 'between 22 Mar and 11 Apr (8 in 10)'],
    [range(10, 10.4, 10.9), 'on 12 Mar (8 in 10)'],
    [range(10, 10.6, 11.2), 'on 12 Mar or 13 Mar (8 in 10)'],
    [range(2, 4, 6), 'by 8 Mar (9 in 10), perhaps already'],
    [range(1, 2, 3), 'most likely already'],
    [range(10, 12, null), 'some time after 12 Mar'],
    [range(null, null, null), 'not within four months, as things are'],
  ])('%# stands in a sentence', (dates, words) =>
    expect(dateRangeInSentence(dates, 'UTC', day(5))).toBe(words),
  );

  it('never begins before now', () => {
    expect(dateRangeInSentence(range(3, 7, 9), 'UTC', day(5))).toBe(
      'between 7 and 11 Mar (8 in 10)',
    );
  });

  it('names a month once where one is enough', () => {
    expect(daySpanWords(day(0), day(3), 'UTC')).toBe('2–5 Mar');
    expect(daySpanWords(day(28), day(31), 'UTC')).toBe('30 Mar–2 Apr');
  });
});

describe('a chance', () => {
  it('is whole percents within 0 and 1', () => {
    expect([1e-45, 0.004, 0.126, 1 + 1e-9, -1e-12].map(wholePercent)).toEqual([0, 0, 0.13, 1, 0]);
  });
});
