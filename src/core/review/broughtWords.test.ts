import { LogBuilder, onDay, testId } from '../../testing/logBuilder';
import { removeRecord, reviseRecord } from '../records/acts';
import { KINDS } from '../records/kinds';
import { headsOfType, mergeRevisions } from '../records/log';
import { broughtWords } from './broughtWords';
import { actWords } from './actWords';

const stamp = (n: number, device = 'desk') => ({
  actId: testId(700_000 + n),
  device,
  recordedAt: new Date(onDay(50) + n * 1000).toISOString(),
});

/** A log here, and what else another device wrote. */
function two() {
  const builder = new LogBuilder();
  for (const day of [1, 2, 3]) builder.entry(onDay(day), { kind: 'note', text: `day ${day}` });
  return { builder, here: builder.log() };
}

describe('what comes in, in words', () => {
  it('counts what is new by its kind, animals by their number', () => {
    const { builder, here } = two();
    const before = builder.revisions.length;
    for (const day of [4, 5, 6]) builder.nitrate(onDay(day), 5);
    builder.entry(onDay(7), { kind: 'animals', move: 'in', group: 'fish', what: 'Goby', count: 2 });
    builder.entry(onDay(8), { kind: 'animals', move: 'in', group: 'coral', what: 'Zoa' });
    const fresh = builder.revisions.slice(before).filter(({ type }) => type === 'entry');
    expect(broughtWords(here, fresh)).toEqual(['3 tests', '2 new fish', '1 new coral']);
    expect(broughtWords(here, [])).toEqual([]);
  });

  it('tells what was corrected, taken away, and changed by both', () => {
    const { here } = two();
    const [first, second, third] = headsOfType(here, 'entry');
    if (!first || !second || !third) throw new Error('three notes');
    const said = (head: typeof first, text: string, by: ReturnType<typeof stamp>) =>
      reviseRecord(by, head, { ...head.body, text } as typeof head.body);
    const ours = mergeRevisions(here, [said(first, 'here', stamp(1, 'phone'))]);
    const theirs = [said(first, 'there', stamp(2)), said(second, 'there', stamp(2))];
    expect(broughtWords(ours, [...theirs, removeRecord(stamp(3), third)])).toEqual([
      '1 corrected',
      '1 taken away',
      '1 that both changed',
    ]);
    // Both changed it in fields of their own, or one after the other: only the first is said to be of both.
    const [own] = headsOfType(ours, 'entry').filter(({ id }) => id === first.id);
    if (!own) throw new Error('a note');
    expect(broughtWords(ours, [said(own, 'after', stamp(4))])).toEqual(['1 corrected']);
  });

  it('has a word for one and for several of every kind', () => {
    const all = Object.values(KINDS).map(({ counted }) => counted);
    for (const [one, many] of all) expect(one).not.toBe(many);
    expect(new Set(all.map(([one]) => one)).size).toBe(all.length);
  });
});

it('an act of many animals is told in words that are some', () => {
  const builder = new LogBuilder();
  const before = builder.revisions.length;
  for (let day = 1; day < 9; day += 1) {
    builder.entry(onDay(day), { kind: 'animals', move: 'in', group: 'fish', what: `Fish ${day}` });
  }
  const context = { netLitres: null, zone: 'UTC', kitOf: () => undefined };
  expect(actWords({ revisions: builder.revisions.slice(before) }, () => context)).toMatch(
    /^8 animal entries from /,
  );
});
