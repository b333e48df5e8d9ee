import { planImport, type ImportPlan } from '../core/records/file/importPlan';
import type { Revision } from '../core/records/schema/revision';
import { countOf } from '../core/units/format';
import { logMerged } from './logReducer';
import { storeRevisions, type SaveResult } from './record';
import { noticed } from './sessionSlice';
import { chooseFirstTank } from './firstTank';
import { revisionKey } from '../core/records/log';
import { breath } from '../storage/breath';
import { rememberBrought, type Origin } from './brought';
import type { AppThunk } from './state';

/** Told of the share done, 0 to 1. */
type Progress = (share: number) => void;

/** Records stored in one go: more would leave the screen still for too long. */
const IN_ONE_GO = 1500;

/** What an import of records would do to the log that is open. */
export function importPlan(records: readonly Revision[]): AppThunk<ImportPlan> {
  return (_dispatch, getState) => planImport(getState().log, records);
}

/**
 * Stores what is new of an import, part by part; each part is durable when it is told of. One that is
 * broken off leaves what it stored, and taking the file once more adds the rest. Memory takes all
 * parts in one: everything that is derived from the log would otherwise be derived for each.
 */
export function importRecords(
  { fresh }: Pick<ImportPlan, 'fresh'>,
  origin: Origin,
  progress: Progress,
): AppThunk<Promise<SaveResult>> {
  return async (dispatch) => {
    let from = 0;
    try {
      while (from < fresh.length) {
        const part = fresh.slice(from, from + IN_ONE_GO);
        from += part.length;
        const result = await dispatch(storeRevisions(part, { later: true }));
        if (!result.saved) return result;
        progress(from / fresh.length);
        await breath();
      }
    } finally {
      dispatch(logMerged(fresh.slice(0, from)));
      await dispatch(rememberBrought(origin, fresh.slice(0, from)));
    }
    dispatch(
      noticed({
        text: `${origin.kind === 'carry' ? 'Took over' : 'Imported'} ${countOf(fresh.length, 'record')}`,
        undo: fresh.map(revisionKey),
      }),
    );
    dispatch(chooseFirstTank());
    return { saved: true, issues: [] };
  };
}
