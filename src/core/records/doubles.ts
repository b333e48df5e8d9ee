import { moreCareful, revisionKey, sameContents } from './order';
import type { Revision } from './schema/revision';

/** Revisions with one body under each identity, and those that another was taken instead of. */
export function withoutDoubles(revisions: readonly Revision[]): {
  records: Revision[];
  doubled: Revision[];
} {
  const kept = new Map<string, Revision>();
  const doubled: Revision[] = [];
  for (const revision of revisions) {
    const key = revisionKey(revision);
    const known = kept.get(key);
    if (!known) kept.set(key, revision);
    else if (!sameContents(known, revision)) {
      const taken = moreCareful(known, revision);
      doubled.push(taken === known ? revision : known);
      kept.set(key, taken);
    }
  }
  return { records: [...kept.values()], doubled };
}
