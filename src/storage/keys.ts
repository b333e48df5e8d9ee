import type { Revision } from '../core/records/schema/revision';

/** Where things lie in the database. */
export const JOURNAL = 'journal/';
export const CHUNK = 'chunk/';
export const ASIDE = 'aside/';
export const DRAFT = 'draft/';

/** One key per write: never rewritten, so two tabs can append without a lock. */
export function journalKey(first: Revision, serial: number): string {
  return `${JOURNAL}${first.recordedAt}/${first.device}/${first.actId}/${serial}`;
}

/** Entries lie by tank and month of their own time, everything else in one base chunk. */
export function chunkKey(revision: Revision): string {
  if (revision.type !== 'entry') return `${CHUNK}base`;
  const month = new Date(revision.body.at).toISOString().slice(0, 7);
  return `${CHUNK}${revision.body.tankId}/${month}`;
}
