import * as z from 'zod';
import { animalSchema } from '../../livestock/catalogue/schema';
import { idSchema, instantSchema } from '../common';
import { entrySchema } from '../kinds';
import { shortKeySchema } from '../keys';
import { absenceSchema } from './absence';
import { batchSchema } from './batch';
import { choreSchema } from './chore';
import { connectionSchema } from './connection';
import { kitSchema } from './kit';
import { medicineSchema } from './medicine';
import { protocolSchema } from './protocol';
import { runSchema } from './run';
import { settingsSchema } from './settings';
import { positionSchema } from './position';
import { tankSchema } from './tank';
import { wishSchema } from './wish';

/** Corrections that one record can hold: a number beyond it is damage, and would outlast every correction. */
export const MOST_REVISIONS = 100_000;

/**
 * The envelope every record shares. A correction is a new revision of the same id, a deletion is a
 * revision marked `deleted` that keeps its body, so nothing is ever overwritten.
 */
const envelope = {
  id: idSchema,
  /** 1 for the first; one more for each correction. */
  rev: z.int().min(1).max(MOST_REVISIONS),
  /** The revision it was made from; null for the first. */
  parentRev: z.int().min(1).max(MOST_REVISIONS).nullable(),
  /** The act that wrote that revision: two tabs may both have written one of that number. */
  parentAct: idSchema.optional(),
  /** Fields on which two corrections disagreed, and which this one settles. */
  settles: z.array(z.string().max(130)).max(200).optional(),
  /** The browser it was made in. */
  device: shortKeySchema,
  /** What one gesture recorded shares an act, and is undone together. */
  actId: idSchema,
  recordedAt: instantSchema,
  deleted: z.literal(true).optional(),
};

/** What each type of record holds. */
const BODIES = {
  tank: tankSchema,
  kit: kitSchema,
  entry: entrySchema,
  settings: settingsSchema,
  run: runSchema,
  wish: wishSchema,
  batch: batchSchema,
  species: animalSchema,
  position: positionSchema,
  medicine: medicineSchema,
  protocol: protocolSchema,
  chore: choreSchema,
  absence: absenceSchema,
  connection: connectionSchema,
};

export type RecordType = keyof typeof BODIES;
export type BodyOf<T extends RecordType> = z.infer<(typeof BODIES)[T]>;

export const revisionSchema = z.discriminatedUnion('type', [
  z.strictObject({ ...envelope, type: z.literal('tank'), body: tankSchema }),
  z.strictObject({ ...envelope, type: z.literal('kit'), body: kitSchema }),
  z.strictObject({ ...envelope, type: z.literal('entry'), body: entrySchema }),
  z.strictObject({ ...envelope, type: z.literal('settings'), body: settingsSchema }),
  z.strictObject({ ...envelope, type: z.literal('run'), body: runSchema }),
  z.strictObject({ ...envelope, type: z.literal('wish'), body: wishSchema }),
  z.strictObject({ ...envelope, type: z.literal('batch'), body: batchSchema }),
  z.strictObject({ ...envelope, type: z.literal('species'), body: animalSchema }),
  z.strictObject({ ...envelope, type: z.literal('position'), body: positionSchema }),
  z.strictObject({ ...envelope, type: z.literal('medicine'), body: medicineSchema }),
  z.strictObject({ ...envelope, type: z.literal('protocol'), body: protocolSchema }),
  z.strictObject({ ...envelope, type: z.literal('chore'), body: choreSchema }),
  z.strictObject({ ...envelope, type: z.literal('absence'), body: absenceSchema }),
  z.strictObject({ ...envelope, type: z.literal('connection'), body: connectionSchema }),
]);
export type Revision = z.infer<typeof revisionSchema>;
export type RevisionOf<T extends RecordType> = Extract<Revision, { type: T }>;

/** The schema of a record's body, for what two corrections of it come to. */
export function bodySchemaOf(type: RecordType): z.ZodType {
  return BODIES[type];
}
