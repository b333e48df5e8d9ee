import { partId } from '../math/hash';
import { createRecord, removeRecord, reviseRecord, type ActStamp } from '../records/acts';
import type { Log } from '../records/log';
import type { BodyOf, RecordType, Revision, RevisionOf } from '../records/schema/revision';

/** Gathers what one gesture writes. */
export interface ActWriter {
  /** The moment of the gesture, ms. */
  now: number;
  /** The log as the gesture found it. */
  log: Log;
  create<T extends RecordType>(type: T, body: BodyOf<T>): string;
  /** A record whose id is fixed: one there is only one of. */
  createAs<T extends RecordType>(id: string, type: T, body: BodyOf<T>): string;
  revise<T extends RecordType>(
    head: RevisionOf<T>,
    body: BodyOf<T>,
    settles?: readonly string[],
  ): void;
  remove(head: Revision): void;
}

/**
 * The revisions that an act writes, each of its new records under an id made of the act's own, so that the
 * same act written twice is one.
 * @param now ms
 */
export function writtenBy(
  write: (act: ActWriter) => void,
  log: Log,
  now: number,
  stamp: ActStamp,
): Revision[] {
  const revisions: Revision[] = [];
  let created = 0;
  const add = <T extends RecordType>(id: string, type: T, body: BodyOf<T>) => {
    revisions.push(createRecord(stamp, id, type, body));
    return id;
  };
  write({
    now,
    log,
    create: (type, body) => {
      created += 1;
      return add(partId(stamp.actId, created), type, body);
    },
    createAs: add,
    revise: (head, body, settles) => revisions.push(reviseRecord(stamp, head, body, settles)),
    remove: (head) => revisions.push(removeRecord(stamp, head)),
  });
  return revisions;
}
