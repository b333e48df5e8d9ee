import { bringBack, type BringingBack } from '../core/copies/bringBack';
import type { Revision } from '../core/records/schema/revision';
import { countOf } from '../core/units/format';
import { chooseFirstTank } from './firstTank';
import { askCopies } from '../workers/copies/client';
import { stampOf, storeRevisions, type SaveResult } from './record';
import type { AppThunk } from './state';

/** What bringing a copy back would do to the log as it is now. */
export function openCopy(
  id: string,
): AppThunk<
  Promise<{ ok: true; records: Revision[]; plan: BringingBack } | { ok: false; why: string }>
> {
  return async (_dispatch, getState, { services }) => {
    const answer = await askCopies({ ask: 'open', id });
    if (answer.kind !== 'records')
      return { ok: false, why: answer.kind === 'failed' ? answer.why : '' };
    const { records } = answer;
    return { ok: true, records, plan: bringBack(getState().log, records, stampOf(services)) };
  };
}

/** Sets the log to what a copy holds: one act, which can be undone. */
export function bringCopyBack(records: readonly Revision[]): AppThunk<Promise<SaveResult>> {
  return async (dispatch, getState, { services }) => {
    const { revisions, back, changed, away } = bringBack(
      getState().log,
      records,
      stampOf(services),
    );
    const result = await dispatch(
      storeRevisions(revisions, {
        words: `Brought back the copy: ${countOf(back + changed + away, 'record')}`,
      }),
    );
    dispatch(chooseFirstTank());
    return result;
  };
}
