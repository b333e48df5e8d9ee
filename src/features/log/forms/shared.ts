import * as z from 'zod';
import { instantSchema, NOTE_LETTERS } from '@/core/records/common';
import { FormReader } from '@/forms/reader';

/** Fields that every entry's form has: when (null for now, whenever that is), and a note. */
export const sharedFields = { at: instantSchema.nullable(), note: z.string() };
export type SharedForm = z.infer<z.ZodObject<typeof sharedFields>>;
export const SHARED: SharedForm = { at: null, note: '' };

/** A form's reader, with its note as a part of its record. */
export function noteOf<F extends SharedForm>(form: F) {
  const read = new FormReader<F>(form);
  const note: { note?: string } = read.optionalText<'note' & keyof F>('note', NOTE_LETTERS);
  return { read, note };
}
