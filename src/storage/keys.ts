/**
 * Where things lie in the database. Blocks of records are never rewritten: each write is a key of
 * its own under a fresh id, and a key goes only once what it held lies in another.
 */
export const JOURNAL = 'journal/';
export const CHUNK = 'chunk/';
export const ASIDE = 'aside/';
export const DRAFT = 'draft/';
/** Photos by the hash of their bytes. */
export const PHOTO = 'photo/';
/** What files brought in, and the identities of what came with each. */
export const BROUGHT = 'brought/';
export const BROUGHT_KEYS = 'broughtKeys/';
/** Names the log since it was last erased: folded blocks of before it count no more. */
export const GENERATION = 'meta/generation';
export const FIRST_GENERATION = 'first';

export function journalKey(id: string): string {
  return `${JOURNAL}${id}`;
}

export function chunkKey(generation: string, id: string): string {
  return `${CHUNK}${generation}/${id}`;
}

/** Whether a key holds records that count in a generation of the log. */
export function isBlockKey(key: string, generation: string): boolean {
  if (key.startsWith(JOURNAL)) return true;
  if (!key.startsWith(CHUNK)) return false;
  const rest = key.slice(CHUNK.length);
  // Blocks of format 2 and older were named by tank and month, or "base", and knew no generation.
  const named = rest.startsWith('g-') ? rest.slice(0, rest.indexOf('/')) : FIRST_GENERATION;
  return named === generation;
}
