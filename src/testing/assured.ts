import { verdictOf } from '../core/cycle/verdict/verdict';
import type { Verdict } from '../core/cycle/verdict/types';
import { tankHistory } from '../core/history/derive';
import { bandsOf } from '../core/parameters/bands';
import { EMPTY_LOG, mergeRevisions } from '../core/records/log';
import type { Revision } from '../core/records/schema/revision';
import type { LogBuilder } from './logBuilder';
import type { Assurance } from '../core/cycle/verdict/assurance';

/** A forecast that nothing speaks against, for tests of what the evidence alone decides. */
export const ASSURED: Assurance = {
  stays: 1,
  carries: 1,
  carriesTwo: 1,
  proof: 1,
  carriesUntil: null,
  repeats: 1,
  repeatsUntil: null,
  suspect: null,
  doubted: null,
};

/** What the evidence alone says of a log on a moment, in the bands of a mixed reef. */
export function judge(
  builder: LogBuilder,
  at: number,
  revisions: readonly Revision[] = builder.revisions,
): Verdict {
  const log = mergeRevisions(EMPTY_LOG, revisions);
  return verdictOf(tankHistory(log, builder.tankId, at), at, bandsOf('mixedReef', {}), ASSURED);
}
