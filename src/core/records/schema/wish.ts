import * as z from 'zod';
import { asTypedSchema, sizeSchema } from '../../livestock/catalogue/size';
import { daySchema, idSchema, instantSchema, textSchema } from '../common';
import { animalIdSchema } from '../keys';

/** An animal, or several of one kind, wished for a tank. */
export const wishSchema = z.strictObject({
  tankId: idSchema,
  /** Its id in the catalogue, or that of an animal of the keeper's own. */
  species: animalIdSchema,
  count: z.int().min(1).max(100),
  /** Length it would be bought at, cm, where it is not the usual one. */
  sizeCm: sizeSchema.optional(),
  asTyped: asTypedSchema.optional(),
  /** Its partner that comes the same day, one to each: the shrimp of a goby. */
  partner: animalIdSchema.optional(),
  /** Its place among the wishes: of equals the earlier comes first. */
  order: z.number().min(-1e9).max(1e9),
  /** The day it is to come in, whatever else would be earlier. */
  pinned: daySchema.optional(),
  /** A rule that the keeper sets aside for it knowingly, with the reason. */
  override: z.strictObject({ reason: textSchema, at: instantSchema }).optional(),
});
export type Wish = z.infer<typeof wishSchema>;
