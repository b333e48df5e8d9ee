import { removeRecord, reviseRecord, type ActStamp } from '../records/acts';
import { allRecords, EMPTY_LOG, headOf, mergeRevisions, type Log } from '../records/log';
import { sameBodies } from '../records/order';
import type { Revision } from '../records/schema/revision';

/** What bringing a copy back would do. */
export interface BringingBack {
  revisions: Revision[];
  /** Records that come back, go back to what they were, and go away. */
  back: number;
  changed: number;
  away: number;
}

/**
 * What sets a log to what a copy holds, as one act that can be undone: revisions that set every differing
 * record to what it was, and deletions of what was not there. What the log lost altogether, by an erasing,
 * comes back with its own history.
 */
export function bringBack(log: Log, copied: readonly Revision[], stamp: ActStamp): BringingBack {
  const then = mergeRevisions(EMPTY_LOG, copied);
  const result: BringingBack = { revisions: [], back: 0, changed: 0, away: 0 };
  const histories = new Map([...allRecords(then)].map((one) => [one.head.id, one.revisions]));
  const ids = new Set([...histories.keys(), ...[...allRecords(log)].map(({ head }) => head.id)]);
  for (const id of [...ids].sort()) {
    const [was, is] = [headOf(then, id), headOf(log, id)];
    const [there, here] = [was && !was.deleted, is && !is.deleted];
    if (was && !is) {
      result.revisions.push(...(histories.get(id) ?? []));
      if (there) result.back += 1;
    } else if (was && is && there && (!here || !sameBodies(was, is))) {
      result.revisions.push(reviseRecord(stamp, is, was.body as never));
      if (here) result.changed += 1;
      else result.back += 1;
    } else if (is && here && !there) {
      result.revisions.push(removeRecord(stamp, is));
      result.away += 1;
    }
  }
  return result;
}
