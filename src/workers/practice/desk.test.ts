import { LAWS_NOW } from '../../core/practice/world/nature';
import { begin } from '../../core/practice/run/begin';
import { runOf, writeRun } from '../../core/practice/run/runFile';
import { alikeWords, readyWords } from '../../core/practice/after/alike';
import { deedsOf } from '../../core/practice/deeds/deeds';
import { answerPractice } from './desk';
import { alikeAnswerSchema, type AlikeAnswer } from './messages';

const STARTED = '2026-05-04T09:00:00.000Z';
const header = {
  ...{ seed: 3, situation: 'chloramine' as const, startedAt: STARTED, zone: 'UTC' },
  ...{ laws: LAWS_NOW, clock: '2026-05-08T09:00:00.000Z', said: [], answer: null },
};
const { revisions } = begin(header);
const told = (data: unknown) => {
  const answers: AlikeAnswer[] = [];
  answerPractice(data, (answer) => answers.push(alikeAnswerSchema.parse(answer)), 6);
  return answers;
};

describe('tanks like one', () => {
  it('are lived with a deed and without, and say how far they are', () => {
    const deed = deedsOf(revisions).findLast(({ entry }) => entry.kind === 'dose');
    const answers = told({ run: writeRun(runOf(header, revisions)), deedId: deed?.id });
    expect(answers.slice(0, -1)).toEqual(
      [1, 2, 3, 4, 5, 6].map((n) => ({ kind: 'progress', share: n / 6 })),
    );
    const last = answers.at(-1);
    if (last?.kind !== 'done') throw new Error('not done');
    expect(last.alike.withIt).toHaveLength(6);
    // The overdose of day 11 holds most of them up; one whose bacteria die fast may gain by what it leaves them.
    const heldUp = last.alike.withIt.filter(
      (day, n) => (day ?? Infinity) >= (last.alike.without[n] ?? 0),
    );
    expect(heldUp.length).toBeGreaterThanOrEqual(5);
    expect(alikeWords(last.alike)).toMatch(/^In 6 tanks like it: ready on day \d+ to \d+/);
  });

  it('of what cannot be read are not lived', () => {
    expect(told({ run: '{}', deedId: 'x' })).toEqual([{ kind: 'failed' }]);
    expect(told(null)).toEqual([{ kind: 'failed' }]);
  });

  it('are told by eight in ten of them, and how many never come to it', () => {
    const days = Array.from({ length: 11 }, (_, n) => 20 + n);
    expect(readyWords(days, 90)).toBe('on day 21 to 29');
    expect(readyWords([...days.slice(0, 8), null, null, null], 90)).toBe(
      'on day 21 at the earliest, and not within 90 days in 3 of 11',
    );
    expect(
      readyWords(
        days.map(() => null),
        90,
      ),
    ).toBe('not within 90 days');
    expect(readyWords([24, 24, 24], 90)).toBe('on day 24');
  });
});
