import * as z from 'zod';
import { photoTextSchema } from '../../core/photos/schema';
import { photoIdSchema } from '../../core/records/common';

/** What the worker says of a picture that it was given. */
export const scaledSchema = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('scaled'), id: photoIdSchema, text: photoTextSchema }),
  z.strictObject({ kind: z.literal('refused'), why: z.enum(['unreadable', 'unable']) }),
]);
export type Scaled = z.infer<typeof scaledSchema>;
