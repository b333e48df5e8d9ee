import { alike } from '../../core/practice/after/alike';
import { played } from '../../core/practice/run/play';
import { readRun } from '../../core/practice/run/runFile';
import { askAlikeSchema, type AlikeAnswer } from './messages';

/** Lives two hundred tanks like a run's, with a deed and without, and says how far it is. */
export function answerPractice(
  data: unknown,
  tell: (answer: AlikeAnswer) => void,
  tanks?: number,
): void {
  const asked = askAlikeSchema.safeParse(data);
  const reading = asked.success ? readRun(asked.data.run) : null;
  if (!asked.success || !reading?.ok) return tell({ kind: 'failed' });
  const progress = (share: number) => tell({ kind: 'progress', share });
  tell({ kind: 'done', alike: alike(played(reading.run), asked.data.deedId, progress, tanks) });
}
