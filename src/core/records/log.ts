import { instant } from '../time/zone';
import type { RecordType, Revision, RevisionOf } from './schema/revision';

/** Every revision of every record, each record's in merge order: the last is its head. */
export type Log = Readonly<Record<string, readonly Revision[]>>;

export const EMPTY_LOG: Log = {};

/** Identity of a revision: two devices may both write revision 2 of a record, and both are kept. */
export function revisionKey(revision: Revision): string {
  return `${revision.id}/${revision.rev}/${revision.device}/${revision.actId}`;
}

/** Merge order: revision number, then when it was recorded, then device, so any two tabs agree. */
export function compareRevisions(a: Revision, b: Revision): number {
  return (
    a.rev - b.rev ||
    instant(a.recordedAt) - instant(b.recordedAt) ||
    compareText(a.device, b.device) ||
    compareText(a.actId, b.actId)
  );
}

function compareText(a: string, b: string): number {
  return a < b ? -1 : a > b ? 1 : 0;
}

/**
 * The log with more revisions in it. Union by identity: adding what is there already changes
 * nothing, and the order of arrival does not matter. Records that gain nothing keep their identity.
 */
export function mergeRevisions(log: Log, revisions: readonly Revision[]): Log {
  const arriving = new Map<string, Revision[]>();
  for (const revision of revisions) {
    const list = arriving.get(revision.id);
    if (list) list.push(revision);
    else arriving.set(revision.id, [revision]);
  }
  const next: Record<string, readonly Revision[]> = { ...log };
  let changed = false;
  for (const [id, list] of arriving) {
    const present = log[id] ?? [];
    const known = new Set(present.map(revisionKey));
    const added = list.filter((revision) => {
      const key = revisionKey(revision);
      if (known.has(key)) return false;
      known.add(key);
      return true;
    });
    if (added.length === 0) continue;
    next[id] = [...present, ...added].sort(compareRevisions);
    changed = true;
  }
  return changed ? next : log;
}

/** The current revision of a record, a tombstone included. */
export function headOf(log: Log, id: string): Revision | undefined {
  const revisions = log[id];
  return revisions?.[revisions.length - 1];
}

/** The current revisions of every record of a type that is not deleted. */
export function headsOfType<T extends RecordType>(log: Log, type: T): RevisionOf<T>[] {
  const heads: RevisionOf<T>[] = [];
  for (const id in log) {
    const head = headOf(log, id);
    if (head && isType(head, type) && !head.deleted) heads.push(head);
  }
  return heads;
}

export function isType<T extends RecordType>(
  revision: Revision,
  type: T,
): revision is RevisionOf<T> {
  return revision.type === type;
}

/** All revisions of all records, in an order that depends on nothing but themselves. */
export function allRevisions(log: Log): Revision[] {
  return Object.keys(log)
    .sort()
    .flatMap((id) => [...(log[id] ?? [])]);
}
