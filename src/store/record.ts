import { writtenBy, type ActWriter } from '../core/acts/writer';
import { undoRevisions, type ActStamp } from '../core/records/acts';
import { recordOf, revisionKey, type Log } from '../core/records/log';
import { revisionSchema, type Revision } from '../core/records/schema/revision';
import { countOf } from '../core/units/format';
import { draftKey, EMPTIED } from '../storage/drafts';
import { draftRecorded } from './draftsSlice';
import { logMerged } from './logReducer';
import { actQueued, actsStored, storingFailed } from './pendingSlice';
import { refusedInPractice } from './practiceDoor';
import { noticed, storageAnswered } from './sessionSlice';
import type { Services } from './services';
import type { AppThunk } from './state';

/** Something that keeps a record from being written: a place in its body, and what is wrong there. */
export interface SaveIssue {
  path: string[];
  message: string;
}

export interface SaveResult {
  /** It is in the database. */
  saved: boolean;
  /** Nothing was recorded because of these; without any, what is not saved is kept in memory. */
  issues: SaveIssue[];
}

export interface StoreOptions extends SaveOptions {
  /** They are stored now, and whoever asked merges them into memory once all of many are. */
  later?: boolean;
  /** Whoever asked has read each by its schema already, a part at a time: they are many. */
  checked?: true;
  /** They are what a practice begins with, which lies in the past of its clock. */
  begun?: true;
}

export interface SaveOptions {
  /** What to say when it is saved; nothing is said without. */
  words?: string;
  /**
   * The identity of the act, fixed when its form was opened: saving it twice, by a double tap or
   * after a reload, is then one act.
   */
  actId?: string;
  /** Drafts that it empties, in the same transaction. */
  empties?: readonly string[];
}

/**
 * Writes one act. It is durable when this resolves to saved, and only then does the notice say so;
 * otherwise it is kept in memory, the person is told, and the next act tries again.
 */
export function recordAct(
  write: (act: ActWriter) => void,
  options: SaveOptions | string = {},
): AppThunk<Promise<SaveResult>> {
  const settings = typeof options === 'string' ? { words: options } : options;
  return async (dispatch, getState, { services }) => {
    const { log } = getState();
    const written = (stamp: ActStamp) => writtenBy(write, log, services.now(), stamp);
    let revisions = written(stampOf(services, settings.actId));
    // A draft that two tabs had open becomes two acts where they made different things of it.
    if (saysOtherwise(log, revisions)) revisions = written(stampOf(services));
    return dispatch(storeRevisions(notWritten(log, revisions), settings));
  };
}

/** A new identity for an act whose form is being opened. */
export const newActId =
  (): AppThunk<string> =>
  (_dispatch, _getState, { services }) =>
    services.newId();

export function stampOf(
  { now, newId, device }: Pick<Services, 'now' | 'newId' | 'device'>,
  actId = newId(),
): ActStamp {
  return { actId, device: device.read().id, recordedAt: new Date(now()).toISOString() };
}

/** Two bodies that say the same: the moment of saving aside, which a second try moves on. */
function sameWords(a: Revision, b: Revision): boolean {
  const words = ({ body }: Revision) => JSON.stringify({ ...body, at: undefined });
  return a.deleted === b.deleted && words(a) === words(b);
}

const ofSameAct = (log: Log, { id, actId }: Revision): Revision | undefined =>
  recordOf(log, id)?.revisions.find((known) => known.actId === actId);

/** Whether an act was written already, and said something else then. */
function saysOtherwise(log: Log, revisions: readonly Revision[]): boolean {
  return revisions.some((revision) => {
    const known = ofSameAct(log, revision);
    return known !== undefined && !sameWords(known, revision);
  });
}

/** Leaves out what the same act has written already, and what changes nothing, as a second tap. */
function notWritten(log: Log, revisions: readonly Revision[]): Revision[] {
  return revisions.filter((revision) => {
    if (ofSameAct(log, revision)) return false;
    const known = recordOf(log, revision.id);
    if (!known || known.conflicts.length > 0) return true;
    const { head } = known;
    return (
      head.deleted !== revision.deleted ||
      JSON.stringify(head.body) !== JSON.stringify(revision.body)
    );
  });
}

/** What keeps revisions from being written, all of it. */
export function issuesOf(revisions: readonly Revision[]): SaveIssue[] {
  return revisions.flatMap((revision) => {
    const parsed = revisionSchema.safeParse(revision);
    if (parsed.success) return [];
    return parsed.error.issues.map(({ path, message }) => ({
      path: path.map(String).filter((part, i) => !(i === 0 && part === 'body')),
      message,
    }));
  });
}

/**
 * The write door: stores revisions, those of an import included, and offers to undo them. What does
 * not pass its schema could not be read back, so nothing of the act is recorded then.
 */
export function storeRevisions(
  revisions: Revision[],
  { words, empties = [], later = false, checked, begun }: StoreOptions = {},
): AppThunk<Promise<SaveResult>> {
  return async (dispatch, getState, { services }) => {
    const issues = checked ? [] : issuesOf(revisions);
    const [issue] = issues;
    if (issue) {
      const where = issue.path.filter((part) => part !== 'body').join(', ');
      dispatch(noticed({ text: `Not saved: ${where} ${issue.message}`, undo: null }));
      return { saved: false, issues };
    }
    if (getState().session.which === 'practice' && !begun) {
      const [why] = revisions.flatMap((each) => refusedInPractice(each, services.now()) ?? []);
      if (why !== undefined) {
        dispatch(noticed({ text: why, undo: null }));
        return { saved: false, issues: [] };
      }
    }
    const id = services.newId();
    dispatch(actQueued({ id, which: getState().session.which, revisions, empties: [...empties] }));
    if (!later) dispatch(logMerged(revisions));
    for (const name of empties) dispatch(draftRecorded(name));
    await dispatch(flushPending());
    const saved = !getState().pending.queue.some((act) => act.id === id);
    if (saved && words) {
      dispatch(
        noticed({
          text: words,
          undo: revisions.length > 0 ? revisions.map(revisionKey) : null,
        }),
      );
    }
    return { saved, issues: [] };
  };
}

/** Stores everything that waits for the open log, in the order it was recorded. */
function flushPending(): AppThunk<Promise<boolean>> {
  return (dispatch, getState, { services, databases }) =>
    databases.inTurn(async () => {
      const { log, channel, name } = databases.opened;
      const acts = getState().pending.queue.filter((act) => act.which === name);
      if (acts.length === 0) return true;
      const revisions = acts.flatMap((act) => act.revisions);
      const emptied = acts.flatMap((act) => act.empties.map((draft) => [draftKey(draft), EMPTIED]));
      try {
        const flushed = await log.append(revisions, Object.fromEntries(emptied));
        dispatch(storageAnswered({ flushed }));
      } catch (error) {
        dispatch(storingFailed(await services.whyNotSaved(error)));
        return false;
      }
      dispatch(actsStored(acts.map((act) => act.id)));
      channel.tell(revisions);
      if (getState().session.persisted === null) {
        void services.askToPersist().then((persisted) => dispatch(storageAnswered({ persisted })));
      }
      return true;
    });
}

/** Tries again to store what the browser refused. */
export function retryUnsaved(): AppThunk<Promise<boolean>> {
  return async (dispatch, getState) => {
    const waiting = getState().pending.queue.length > 0;
    const stored = await dispatch(flushPending());
    if (stored && waiting) dispatch(noticed({ text: 'Everything is saved now', undo: null }));
    return stored;
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
    const result = await dispatch(storeRevisions(undo.revisions, { words: `Undone${kept}` }));
    return result.saved;
  };
}
