import { compareRevisions } from '../../records/order';
import type { Entry } from '../../records/kinds';
import type { Revision } from '../../records/schema/revision';
import { instant } from '../../time/zone';

/** Something done at the practice clock: what the log holds of it, and what the world felt. */
export interface Deed {
  /** The entry's id, by which its chance is drawn. */
  id: string;
  /** ms on the practice clock. */
  at: number;
  entry: Entry;
}

/**
 * The deeds of a run, in the order in which they were done. A deed is the first that was written of an entry:
 * correcting it later corrects the words. Taken back while the clock stood still it was never done.
 */
export function deedsOf(revisions: readonly Revision[]): Deed[] {
  const records = new Map<string, Revision[]>();
  for (const revision of revisions) {
    if (revision.type !== 'entry') continue;
    const known = records.get(revision.id);
    if (known) known.push(revision);
    else records.set(revision.id, [revision]);
  }
  const deeds: Deed[] = [];
  for (const [id, all] of records) {
    const inOrder = all.toSorted(compareRevisions);
    const [first] = inOrder;
    if (first?.type !== 'entry') continue;
    const at = instant(first.recordedAt);
    const sameMoment = inOrder.filter(({ recordedAt }) => instant(recordedAt) === at);
    if (sameMoment.at(-1)?.deleted) continue;
    deeds.push({ id, at, entry: first.body });
  }
  return deeds.sort((a, b) => a.at - b.at || (a.id < b.id ? -1 : 1));
}
