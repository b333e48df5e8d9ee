import * as z from 'zod';
import { zoneSchema } from '../../core/records/common';
import type { Revision } from '../../core/records/schema/revision';
import { isFolder, type Folder } from '../../storage/folderHandle';
import { snapshotSchema } from '../../core/copies/snapshots';

/** One question to the worker that keeps copies of the log within this browser. */
export const copyRequestSchema = z.discriminatedUnion('ask', [
  z.object({
    ask: z.literal('take'),
    about: snapshotSchema.omit({ chunks: true }),
    zone: zoneSchema,
  }),
  z.object({ ask: z.literal('list') }),
  z.object({ ask: z.literal('open'), id: z.string() }),
  z.object({ ask: z.literal('forget') }),
  z.object({ ask: z.literal('folder') }),
  z.object({ ask: z.literal('chooseFolder'), folder: z.custom<Folder>(isFolder) }),
  z.object({ ask: z.literal('leaveFolder') }),
  z.object({
    ask: z.literal('renewFolder'),
    at: z.number(),
    zone: zoneSchema,
  }),
]);
export type CopyRequest = z.infer<typeof copyRequestSchema>;

/** Records that were read by their whole schema in the worker. */
const revisionShape = z.custom<Revision>(
  (value) => z.looseObject({ id: z.string(), type: z.string() }).safeParse(value).success,
);

export const copyAnswerSchema = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('list'), copies: z.array(snapshotSchema) }),
  z.object({ kind: z.literal('records'), records: z.array(revisionShape) }),
  z.object({
    kind: z.literal('folder'),
    /** The folder that was chosen; null where there is none. */
    folder: z
      .object({
        handle: z.custom<Folder>(isFolder),
        name: z.string(),
        permission: z.enum(['granted', 'prompt', 'denied']),
        at: z.number().nullable(),
        size: z.number(),
        files: z.number(),
      })
      .nullable(),
  }),
  z.object({ kind: z.literal('failed'), why: z.string() }),
]);
export type CopyAnswer = z.infer<typeof copyAnswerSchema>;
