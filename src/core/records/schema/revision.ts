import * as z from 'zod';
import { idSchema, instantSchema } from './common';
import { entrySchema } from './entry';
import { kitSchema } from './kit';
import { settingsSchema } from './settings';
import { tankSchema } from './tank';

/**
 * The envelope every record shares. A correction is a new revision of the same id, a deletion is a
 * revision marked `deleted` that keeps its body, so nothing is ever overwritten.
 */
const envelope = {
  id: idSchema,
  /** 1 for the first; one more for each correction. */
  rev: z.int().min(1),
  /** The revision it was made from; null for the first. */
  parentRev: z.int().min(1).nullable(),
  /** The browser it was made in. */
  device: z.string().min(1).max(60),
  /** What one gesture recorded shares an act, and is undone together. */
  actId: idSchema,
  recordedAt: instantSchema,
  deleted: z.literal(true).optional(),
};

export const revisionSchema = z.discriminatedUnion('type', [
  z.strictObject({ ...envelope, type: z.literal('tank'), body: tankSchema }),
  z.strictObject({ ...envelope, type: z.literal('kit'), body: kitSchema }),
  z.strictObject({ ...envelope, type: z.literal('entry'), body: entrySchema }),
  z.strictObject({ ...envelope, type: z.literal('settings'), body: settingsSchema }),
]);
export type Revision = z.infer<typeof revisionSchema>;
export type RecordType = Revision['type'];
export type RevisionOf<T extends RecordType> = Extract<Revision, { type: T }>;
export type BodyOf<T extends RecordType> = RevisionOf<T>['body'];
