import * as z from 'zod';
import { daySchema, idSchema, labelSchema, noteSchema } from '../common';

/** What the person who minds a tank is told of it. */
const mindingSchema = z.strictObject({
  /** How much of what, how often. */
  food: noteSchema,
  /** What is not to be touched. */
  leave: noteSchema,
});

/** Days on which the keeper is away, and what the sheet for whoever minds the tanks says. */
export const absenceSchema = z
  .strictObject({
    /** The first day away, and the last. */
    from: daySchema,
    until: daySchema,
    /** Who comes by; empty for nobody. */
    minder: labelSchema,
    /** Whom to call, and how. */
    call: noteSchema,
    /** By tank. */
    tanks: z.record(idSchema, mindingSchema),
  })
  .refine((absence) => absence.from <= absence.until, {
    message: 'ends before it begins',
    path: ['until'],
  });
export type Absence = z.infer<typeof absenceSchema>;
