import * as z from 'zod';
import { DAY_MS } from '../time/zone';

/** The last copy that left this browser: when, and how many revisions it held. */
export const copySchema = z.object({ at: z.number(), size: z.int().min(0) });
export type Copy = z.infer<typeof copySchema>;

/** Changes without any copy that are worth a reminder: some weeks of a keeper who tests and feeds. */
const FIRST_CHANGES = 100;
/** Once there is a copy: so many changes since, and so many days. */
const MORE_CHANGES = 30;
const MORE_DAYS = 30;
/** Days that a reminder keeps silent once it was put off. */
export const LATER_DAYS = 7;

/** What would be lost if this browser forgot everything now. */
export interface CopyState {
  /** Changes that are in no copy: entries, corrections, everything that can be undone. */
  changes: number;
  /** When the last copy was made, ms; null where there is none that counts. */
  at: number | null;
  /** Whether it is time to make one. */
  due: boolean;
}

/**
 * How much of a log is in no copy. A log only grows, so that the number of its revisions tells; one that is
 * smaller than its copy was erased since, and the copy is that of another.
 * @param size revisions in the log
 */
export function copyState(size: number, copy: Copy | null, now: number): CopyState {
  if (copy === null || copy.size > size) {
    return { changes: size, at: null, due: size >= FIRST_CHANGES };
  }
  const changes = size - copy.size;
  const old = now - copy.at >= MORE_DAYS * DAY_MS;
  return { changes, at: copy.at, due: old && changes >= MORE_CHANGES };
}
