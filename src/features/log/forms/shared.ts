import * as z from 'zod';
import { instantSchema } from '@/core/records/common';

/** Fields that every entry's form has: when (null for now, whenever that is), and a note. */
export const sharedFields = { at: instantSchema.nullable(), note: z.string() };
export type SharedForm = z.infer<z.ZodObject<typeof sharedFields>>;
export const SHARED: SharedForm = { at: null, note: '' };
