import { mergeRevisions, recordOf, revisionKey, type Log } from '../log';
import { sameBodies } from '../order';
import type { Revision } from '../schema/revision';
import { SETTINGS_ID } from '../schema/settings';

/** What an import would do to a log. */
export interface ImportPlan {
  /** Revisions that are not here yet; settings only where there are none. */
  fresh: Revision[];
  /** Revisions of the file that claim to be one that is here, and say something else: left out. */
  differing: Revision[];
  /** What becomes of the settings in the file. */
  settings: 'none' | 'same' | 'taken' | 'left';
  /** The log with what is fresh. */
  merged: Log;
}

function sameBody(a: Revision, b: Revision): boolean {
  return a.deleted === b.deleted && sameBodies(a, b);
}

/**
 * Sorts the records of a file against a log. Nothing that is here is ever replaced: a revision of the
 * same identity with another body is named, and settings are taken only into a log without any.
 */
export function planImport(log: Log, records: readonly Revision[]): ImportPlan {
  const own = recordOf(log, SETTINGS_ID);
  const fresh: Revision[] = [];
  const differing: Revision[] = [];
  let settings: ImportPlan['settings'] = 'none';
  for (const revision of records) {
    const known = recordOf(log, revision.id)?.revisions.find(
      (there) => revisionKey(there) === revisionKey(revision),
    );
    if (revision.type === 'settings' && settings !== 'left') {
      settings = known ? 'same' : own ? 'left' : 'taken';
    }
    if (known) {
      if (!sameBody(known, revision)) differing.push(revision);
    } else if (revision.type !== 'settings' || !own) fresh.push(revision);
  }
  return { fresh, differing, settings, merged: mergeRevisions(log, fresh) };
}
