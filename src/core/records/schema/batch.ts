import * as z from 'zod';
import { idSchema, instantSchema, labelSchema, nameSchema } from '../common';

/** Animals that go through quarantine together: what happens to one restarts the clock of all. */
export const batchSchema = z.strictObject({
  /** The quarantine tank. */
  tankId: idSchema,
  /** The tank they are meant for. */
  forTankId: idSchema,
  /** The protocol followed, by its id. */
  protocol: labelSchema.min(1, 'is missing'),
  begunAt: instantSchema,
  /** When its clock began anew after a sign, the last time; null where it never did. */
  restartedAt: instantSchema.nullable(),
  animals: z
    .array(
      z.strictObject({
        what: nameSchema,
        species: labelSchema.optional(),
        count: z.int().min(1).max(100),
      }),
    )
    .max(40),
  /** When it was released, or given up; null while it goes on. */
  endedAt: instantSchema.nullable(),
});
