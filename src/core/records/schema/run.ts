import * as z from 'zod';
import { anyNumber, idSchema, instantSchema } from '../common';
import { shortKeySchema } from '../keys';

const nameOfPart = shortKeySchema;
const given = z.union([z.string().max(200), anyNumber]);

/**
 * A procedure being gone through at a tank: which steps are done, what was measured at them, and
 * the moments its clocks end. Kept as instants, so a reload, another tab or a phone asleep lose nothing.
 */
export const runSchema = z.strictObject({
  /** Which procedure, by its id. */
  procedure: nameOfPart,
  tankId: idSchema,
  begunAt: instantSchema,
  /** When it ended, and how; null while it goes on. */
  ended: z.strictObject({ at: instantSchema, how: z.enum(['done', 'stopped']) }).nullable(),
  /** What it was begun with: a dose, a kit, a number of drops. */
  given: z.record(nameOfPart, given),
  /** Steps that are done, by their id, and what was noted at each. */
  steps: z.record(nameOfPart, z.strictObject({ at: instantSchema, value: given.optional() })),
  /** The moment each clock ends, by its id. */
  clocks: z.record(nameOfPart, instantSchema),
});
export type Run = z.infer<typeof runSchema>;
