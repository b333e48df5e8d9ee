import { instant } from '../time/zone';
import { compareRevisions, headOf, revisionKey, type Log } from './log';
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

/** A correction: the next revision of a record. */
export function reviseRecord<T extends RecordType>(
  stamp: ActStamp,
  head: RevisionOf<T>,
  body: BodyOf<T>,
): RevisionOf<T> {
  const { deleted: _tombstone, ...rest } = head;
  return { ...rest, ...stamp, rev: head.rev + 1, parentRev: head.rev, body } as RevisionOf<T>;
}

/** A tombstone: the record goes from view and its history stays. */
export function removeRecord(stamp: ActStamp, head: Revision): Revision {
  return { ...head, ...stamp, rev: head.rev + 1, parentRev: head.rev, deleted: true };
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
 */
export function undoRevisions(log: Log, keys: ReadonlySet<string>, stamp: ActStamp): Undo {
  const undo: Undo = { revisions: [], kept: [] };
  for (const id in log) {
    const revisions = log[id] ?? [];
    if (!revisions.some((revision) => keys.has(revisionKey(revision)))) continue;
    const head = headOf(log, id);
    if (!head) continue;
    if (!keys.has(revisionKey(head))) {
      undo.kept.push(head);
      continue;
    }
    const before = [...revisions].reverse().find((revision) => !keys.has(revisionKey(revision)));
    const next = before && !before.deleted ? withBodyOf(stamp, head, before) : null;
    if (next) undo.revisions.push(next);
    else if (!head.deleted) undo.revisions.push(removeRecord(stamp, head));
  }
  return undo;
}

function withBodyOf(stamp: ActStamp, head: Revision, before: Revision): Revision {
  return { ...before, ...stamp, rev: head.rev + 1, parentRev: head.rev };
}

/** The keys of every revision that one act wrote. */
export function keysOfAct(log: Log, actId: string): Set<string> {
  const keys = new Set<string>();
  for (const id in log) {
    for (const revision of log[id] ?? []) {
      if (revision.actId === actId) keys.add(revisionKey(revision));
    }
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
  for (const id in log) {
    for (const revision of log[id] ?? []) {
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
