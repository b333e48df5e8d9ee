import * as z from 'zod';
import { carryHeadSchema } from '../../core/carry/head';
import type { Revision } from '../../core/records/schema/revision';

/** The one question to the worker that opens files of records: what is in these bytes? */
export const logRequestSchema = z.object({ bytes: z.instanceof(Uint8Array) });

/** Records that were read by their whole schema in the worker. */
const revisionShape = z.custom<Revision>(
  (value) => typeof value === 'object' && value !== null && 'id' in value && 'type' in value,
);
const photoShape = z.object({ id: z.string(), text: z.string() });

/** What the worker says: how far it is, some of the records, and what it all was, or why it is none. */
export const logAnswerSchema = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('progress'), share: z.number() }),
  z.object({ kind: z.literal('some'), records: z.array(revisionShape) }),
  z.object({
    kind: z.literal('records'),
    refused: z.array(z.object({ row: z.number(), why: z.string() })),
    doubled: z.array(revisionShape),
    carry: carryHeadSchema.nullable(),
    photos: z.array(photoShape),
    writtenAt: z.string(),
  }),
  z.object({ kind: z.literal('photos'), text: z.string() }),
  z.object({ kind: z.literal('refused'), why: z.string() }),
]);
export type LogAnswer = z.infer<typeof logAnswerSchema>;
