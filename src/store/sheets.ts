import { bringIn } from '../core/sheets/bring';
import type { EntryBody } from '../core/records/kinds';
import type { SheetOffer } from '../core/sheets/read/offer';
import type { SheetFound } from '../core/sheets/read/found';
import type { Revision } from '../core/records/schema/revision';
import { countOf } from '../core/units/format';
import { breath } from '../storage/breath';
import { issuesOf, stampOf, storeRevisions, type SaveResult } from './record';
import type { AppThunk } from './state';

/** Records read by their schema in one go: more would leave the screen still for too long. */
const IN_ONE_GO = 1500;

/** Brings in what was found in a sheet: one act, stored in one transaction, undone by one undo. */
export function bringSheet(
  found: SheetFound,
  offers: readonly { offer: SheetOffer; body: EntryBody }[],
  /** Drafts that it empties. */
  empties: readonly string[],
  /** Told what came in, and by which act. */
  brought: (id: string, revisions: readonly Revision[]) => Promise<void>,
): AppThunk<Promise<SaveResult>> {
  return async (dispatch, getState, { services }) => {
    const stamp = stampOf(services);
    const bringing = bringIn(getState().log, found, offers, stamp);
    const { revisions, fresh, back } = bringing;
    for (let from = 0; from < revisions.length; from += IN_ONE_GO) {
      const issues = issuesOf(revisions.slice(from, from + IN_ONE_GO));
      // The door that says what is wrong takes them all, and refuses them.
      if (issues.length > 0) return dispatch(storeRevisions(revisions));
      await breath();
    }
    const result = await dispatch(
      storeRevisions(revisions, {
        words:
          fresh + back > 0
            ? `Brought in ${countOf(fresh + back, 'reading')}`
            : `Brought in ${countOf(revisions.length, 'entry', 'entries')}`,
        empties,
        checked: true,
      }),
    );
    if (result.saved) {
      await brought(stamp.actId, revisions);
    }
    return result;
  };
}
