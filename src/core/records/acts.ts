import { instant } from '../time/zone';
import { allRecords, compareRevisions, recordOf, revisionKey, type Log } from './log';
import type { BodyOf, RecordType, Revision, RevisionOf } from './schema/revision';

/** What all revisions of one act share. */
export interface ActStamp {
  actId: string;
  device: string;
  recordedAt: string;
}

/** The first revision of a new record. */
export function createRecord<T extends RecordType>(
  stamp: ActStamp,
  id: string,
  type: T,
  body: BodyOf<T>,
): RevisionOf<T> {
  return { id, type, rev: 1, parentRev: null, ...stamp, body } as RevisionOf<T>;
}

/** The envelope of the next revision of a record, made from its head. */
function nextOf(stamp: ActStamp, head: Revision) {
  const { deleted: _tombstone, settles: _settled, ...rest } = head;
  return {
    ...rest,
    ...stamp,
    rev: head.rev + 1,
    parentRev: head.rev,
    parentAct: head.actId,
  };
}

/**
 * A correction: the next revision of a record.
 * @param settles fields of which two corrections held different values, decided by this one
 */
export function reviseRecord<T extends RecordType>(
  stamp: ActStamp,
  head: RevisionOf<T>,
  body: BodyOf<T>,
  settles: readonly string[] = [],
): RevisionOf<T> {
  return {
    ...nextOf(stamp, head),
    ...(settles.length > 0 ? { settles: [...settles] } : {}),
    body,
  } as RevisionOf<T>;
}

/** A tombstone: the record goes from view and its history stays. */
export function removeRecord(stamp: ActStamp, head: Revision): Revision {
  return { ...nextOf(stamp, head), deleted: true } as Revision;
}

/** What an undo would append, and the records it leaves alone because they changed again since. */
export interface Undo {
  revisions: Revision[];
  kept: Revision[];
}

/**
 * Revisions that take back a set of revisions: records they created get a tombstone, records they
 * changed get the body and standing they had before. A record whose head is no longer one of
 * them was changed again by a later act, which stands; such records come back in `kept`.
 * @param keys identities of the revisions, as `revisionKey` gives them
 */
export function undoRevisions(log: Log, keys: ReadonlySet<string>, stamp: ActStamp): Undo {
  const undo: Undo = { revisions: [], kept: [] };
  const ids = new Set([...keys].map((key) => key.slice(0, key.indexOf('/'))));
  for (const id of ids) {
    const record = recordOf(log, id);
    if (!record?.revisions.some((revision) => keys.has(revisionKey(revision)))) continue;
    const { head, revisions } = record;
    if (!keys.has(revisionKey(head))) {
      undo.kept.push(head);
      continue;
    }
    const before = [...revisions].reverse().find((revision) => !keys.has(revisionKey(revision)));
    if (before && !before.deleted) {
      undo.revisions.push({ ...nextOf(stamp, head), body: before.body } as Revision);
    } else if (!head.deleted) undo.revisions.push(removeRecord(stamp, head));
  }
  return undo;
}

/** The keys of every revision that one act wrote. */
export function keysOfAct(log: Log, actId: string): Set<string> {
  const keys = new Set<string>();
  for (const { revisions } of allRecords(log)) {
    for (const revision of revisions) if (revision.actId === actId) keys.add(revisionKey(revision));
  }
  return keys;
}

export interface Act {
  actId: string;
  recordedAt: number;
  revisions: Revision[];
}

/** The acts in a log, newest first. */
export function actsOf(log: Log): Act[] {
  const acts = new Map<string, Act>();
  for (const { revisions } of allRecords(log)) {
    for (const revision of revisions) {
      const at = instant(revision.recordedAt);
      const act = acts.get(revision.actId);
      if (act) {
        act.revisions.push(revision);
        act.recordedAt = Math.max(act.recordedAt, at);
      } else {
        acts.set(revision.actId, { actId: revision.actId, recordedAt: at, revisions: [revision] });
      }
    }
  }
  for (const act of acts.values()) act.revisions.sort(compareRevisions);
  return [...acts.values()].sort(
    (a, b) => b.recordedAt - a.recordedAt || (a.actId < b.actId ? 1 : -1),
  );
}
