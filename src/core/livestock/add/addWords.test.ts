import type { AddAnswer } from './add';
import { answerLines, answerTitle } from './addWords';

const ZONE = 'UTC';
const NOW = Date.parse('2026-11-24T12:00:00Z');
const DAY = Date.parse('2026-12-04T12:00:00Z');
const NEXT_YEAR = Date.parse('2027-08-14T12:00:00Z');

const answer = (changes: Partial<AddAnswer> = {}): AddAnswer => ({
  answer: 'yes',
  species: 'firefish',
  name: 'Firefish',
  count: 1,
  until: null,
  rule: 'fits',
  because: 'It fits.',
  barriers: [],
  instead: [],
  likeIt: [],
  cares: [],
  nitrogen: { now: 20, added: 4 },
  peak: { p50: 0.0041, p90: 0.0123 },
  passesAt: DAY,
  most: 1,
  quarantineDays: 0,
  remarks: [],
  ...changes,
});

describe('the answer in the shop', () => {
  it('stands in its first words: yes, no, or the day it becomes yes', () => {
    const title = (changes: Partial<AddAnswer>) => answerTitle(answer(changes), ZONE, NOW);
    expect(title({})).toBe('Yes.');
    expect(title({ count: 3 })).toBe('Yes, 3.');
    expect(title({ answer: 'no', until: DAY })).toBe('No.');
    expect(title({ answer: 'wait' })).toBe('Not yet.');
    expect(title({ answer: 'wait', until: DAY })).toMatch(/^Not before .*4 Dec\.$/);
    expect(title({ answer: 'wait', until: NEXT_YEAR })).toBe('Not before Sat 14 Aug 2027.');
  });

  it('tells the peak with how sure it is, and when it has passed', () => {
    const [peak] = answerLines(answer(), ZONE, NOW);
    expect(peak).toMatch(
      /near 0.0041 mg\/L, under 0.012 in 9 of 10, settled by .*4 Dec: below 0\.02, from which it begins to harm\.$/,
    );
    const slight = { p50: 0.0006, p90: 0.0016 };
    expect(answerLines(answer({ peak: slight }), ZONE, NOW)[0]).toMatch(/: far below 0\.02, /);
    const high = { p50: 0.02, p90: 0.04 };
    expect(answerLines(answer({ peak: high }), ZONE, NOW)[0]).not.toMatch(/below/);
    expect(answerLines(answer({ passesAt: null }), ZONE, NOW)[0]).toMatch(/in 9 of 10: below/);
    // What makes no ammonia has no peak to tell of, and without a posterior nobody knows one.
    expect(answerLines(answer({ nitrogen: { now: 20, added: 0 } }), ZONE, NOW)).toEqual([]);
    expect(answerLines(answer({ peak: null }), ZONE, NOW)).toEqual([]);
  });

  it('tells the most that would pass, as more, as fewer, or not at all', () => {
    const most = (changes: Partial<AddAnswer>) =>
      answerLines(answer({ peak: null, ...changes }), ZONE, NOW);
    expect(most({ most: 3 })).toEqual(['At most 3 of them today.']);
    expect(most({ most: 30 })).toEqual(['Many more would pass as well.']);
    expect(most({ answer: 'wait', count: 4, most: 2 })).toEqual([
      'Instead, 2 of them today would pass.',
    ]);
    expect(most({ answer: 'no', count: 4, most: 0 })).toEqual([]);
    expect(most({ answer: 'no', count: 1, most: 1 })).toEqual([]);
  });

  it('says that quarantine comes first', () => {
    expect(answerLines(answer({ peak: null, quarantineDays: 28 }), ZONE, NOW)).toEqual([
      'Quarantine comes first: 28 days clear of any sign, then this question again.',
    ]);
  });
});
