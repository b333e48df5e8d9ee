import type { AddAnswer } from './add';
import { answerLines, answerTitle } from './addWords';

const ZONE = 'UTC';
const DAY = Date.parse('2026-12-04T12:00:00Z');

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
    const title = (changes: Partial<AddAnswer>) => answerTitle(answer(changes), ZONE);
    expect(title({})).toBe('Yes.');
    expect(title({ count: 3 })).toBe('Yes, 3.');
    expect(title({ answer: 'no', until: DAY })).toBe('No.');
    expect(title({ answer: 'wait' })).toBe('Not yet.');
    expect(title({ answer: 'wait', until: DAY })).toMatch(/^Not before .*4 Dec\.$/);
  });

  it('tells the peak with how sure it is, and when it has passed', () => {
    const [peak] = answerLines(answer(), ZONE);
    expect(peak).toMatch(/near 0.0041 mg\/L, under 0.012 in 9 of 10, settled by .*4 Dec\.$/);
    expect(answerLines(answer({ passesAt: null }), ZONE)[0]).toMatch(/in 9 of 10\.$/);
    // What makes no ammonia has no peak to tell of, and without a posterior nobody knows one.
    expect(answerLines(answer({ nitrogen: { now: 20, added: 0 } }), ZONE)).toEqual([]);
    expect(answerLines(answer({ peak: null }), ZONE)).toEqual([]);
  });

  it('tells the most that would pass, as more, as fewer, or not at all', () => {
    const most = (changes: Partial<AddAnswer>) =>
      answerLines(answer({ peak: null, ...changes }), ZONE);
    expect(most({ most: 3 })).toEqual(['At most 3 of them today.']);
    expect(most({ most: 30 })).toEqual(['Many more would pass as well.']);
    expect(most({ answer: 'wait', count: 4, most: 2 })).toEqual([
      'Instead, 2 of them today would pass.',
    ]);
    expect(most({ answer: 'no', count: 4, most: 0 })).toEqual([]);
    expect(most({ answer: 'no', count: 1, most: 1 })).toEqual([]);
  });

  it('says that quarantine comes first', () => {
    expect(answerLines(answer({ peak: null, quarantineDays: 28 }), ZONE)).toEqual([
      'Quarantine comes first: 28 days clear of any sign, then this question again.',
    ]);
  });
});
