import * as z from 'zod';
import { idSchema, instantSchema, nameSchema } from '../common';
import { animalIdSchema, shortKeySchema } from '../keys';

export const FILTERS_THERE = ['uncycled', 'seeded', 'cycled'] as const;
export type FilterThere = (typeof FILTERS_THERE)[number];

/** Animals that go through quarantine together: what happens to one restarts the clock of all. */
export const batchSchema = z.strictObject({
  /** The quarantine tank. */
  tankId: idSchema,
  /** The tank they are meant for. */
  forTankId: idSchema,
  /** The protocol followed, by its id. */
  protocol: shortKeySchema,
  begunAt: instantSchema,
  /** When the keeper began its clock anew by hand; null where that never was. Signs restart it by themselves. */
  restartedAt: instantSchema.nullable(),
  animals: z
    .array(
      z.strictObject({
        what: nameSchema,
        species: animalIdSchema.optional(),
        count: z.int().min(1).max(100),
        /** The group that it is in the quarantine tank: the entry it came in with. */
        cohort: idSchema.optional(),
      }),
    )
    .max(40),
  /** What clears ammonia there; nothing where nobody said. */
  filter: z.enum(FILTERS_THERE).optional(),
  /** Whether leftovers are taken out within the hour, so that less of the food turns to ammonia. */
  leftoversOut: z.boolean().optional(),
  /** The chance of another sign before it is clear, as the keeper sees it. */
  restartChance: z.number().min(0).max(0.9).optional(),
  /** When all of it was moved to the other tank, of a protocol of moves; in any order. */
  moves: z.array(instantSchema).max(60).optional(),
  /** When it was released, or given up; null while it goes on. */
  endedAt: instantSchema.nullable(),
});
export type Batch = z.infer<typeof batchSchema>;
