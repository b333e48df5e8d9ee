import {
  createRecord,
  removeRecord,
  reviseRecord,
  undoRevisions,
  type ActStamp,
} from '../core/records/acts';
import { revisionKey } from '../core/records/log';
import type { BodyOf, RecordType, Revision, RevisionOf } from '../core/records/schema/revision';
import { countOf } from '../core/units/format';
import { logMerged } from './logReducer';
import { allSaved, noticed, saveFailed } from './sessionSlice';
import type { AppThunk } from './store';

/** Gathers what one gesture writes. */
export interface ActWriter {
  create<T extends RecordType>(type: T, body: BodyOf<T>): string;
  revise<T extends RecordType>(head: RevisionOf<T>, body: BodyOf<T>): void;
  remove(head: Revision): void;
}

/** Revisions that the browser would not store; tried again with every later save. */
let pending: Revision[] = [];

/** Forgets what was pending, when another log is opened. */
export function forgetPending(): void {
  pending = [];
}

/**
 * Writes one act. It is durable when this resolves to true, and only then does the notice say so;
 * otherwise it is kept in memory, the person is told, and the next act tries again.
 * @param words what to say when it is saved; nothing is said without
 */
export function recordAct(
  write: (act: ActWriter) => void,
  words?: string,
): AppThunk<Promise<boolean>> {
  return async (dispatch, _getState, { services }) => {
    const stamp = stampOf(services);
    const revisions: Revision[] = [];
    write({
      create: (type, body) => {
        const id = services.newId();
        revisions.push(createRecord(stamp, id, type, body));
        return id;
      },
      revise: (head, body) => revisions.push(reviseRecord(stamp, head, body)),
      remove: (head) => revisions.push(removeRecord(stamp, head)),
    });
    return dispatch(storeRevisions(revisions, words));
  };
}

function stampOf(services: { now(): number; newId(): string; device: string }): ActStamp {
  return {
    actId: services.newId(),
    device: services.device,
    recordedAt: new Date(services.now()).toISOString(),
  };
}

/** Stores revisions as they are, those of an import included, and offers to undo them. */
export function storeRevisions(revisions: Revision[], words?: string): AppThunk<Promise<boolean>> {
  return async (dispatch, _getState, { services, databases }) => {
    if (revisions.length === 0) return true;
    const batch = [...pending, ...revisions];
    const keys = revisions.map(revisionKey);
    try {
      await databases.database.log.append(batch);
    } catch {
      pending = batch;
      dispatch(logMerged(revisions));
      dispatch(
        saveFailed({
          unsaved: batch.length,
          why: await services.whyNotSaved(),
        }),
      );
      return false;
    }
    pending = [];
    dispatch(logMerged(revisions));
    dispatch(allSaved());
    databases.channel.tell(batch);
    if (words) dispatch(noticed({ text: words, undo: keys }));
    return true;
  };
}

/** Tries again to store what the browser refused. */
export function retryUnsaved(): AppThunk<Promise<boolean>> {
  return async (dispatch, _getState, { services, databases }) => {
    if (pending.length === 0) return true;
    try {
      await databases.database.log.append(pending);
    } catch {
      dispatch(saveFailed({ unsaved: pending.length, why: await services.whyNotSaved() }));
      return false;
    }
    databases.channel.tell(pending);
    pending = [];
    dispatch(allSaved());
    dispatch(noticed({ text: 'Everything is saved now', undo: null }));
    return true;
  };
}

/** Takes back revisions by appending their inverse, which is an act that can be undone in turn. */
export function undoKeys(keys: readonly string[]): AppThunk<Promise<boolean>> {
  return async (dispatch, getState, { services }) => {
    const undo = undoRevisions(getState().log, new Set(keys), stampOf(services));
    if (undo.revisions.length === 0) {
      dispatch(
        noticed({
          text:
            undo.kept.length > 0
              ? 'Not undone: it was changed again since'
              : 'There is nothing left to undo',
          undo: null,
        }),
      );
      return false;
    }
    const kept =
      undo.kept.length > 0
        ? `; ${countOf(undo.kept.length, 'record')} changed since and stayed`
        : '';
    return dispatch(storeRevisions(undo.revisions, `Undone${kept}`));
  };
}
