import * as z from 'zod';
import { idSchema, nameSchema, nonNegative } from '../common';
import { animalIdSchema } from '../keys';

export const LEVELS = ['sand', 'low', 'middle', 'high'] as const;
export type Level = (typeof LEVELS)[number];
export const LIGHT_LEVELS = ['low', 'medium', 'high'] as const;
export type LightLevel = (typeof LIGHT_LEVELS)[number];

/** Where a coral stands, or is meant to. */
export const positionSchema = z.strictObject({
  tankId: idSchema,
  what: nameSchema,
  /** Its id in the catalogue. */
  species: animalIdSchema,
  /** The entry it came in with; left out while it is only meant. */
  cohort: idSchema.optional(),
  /** cm from the left pane, and from the front one. */
  x: nonNegative,
  z: nonNegative,
  level: z.enum(LEVELS),
  /** The light it had where it came from. */
  cameFrom: z.enum(LIGHT_LEVELS).optional(),
});
export type Position = z.infer<typeof positionSchema>;

export const LEVEL_WORDS: Record<Level, string> = {
  sand: 'On the sand',
  low: 'Low rock',
  middle: 'Middle',
  high: 'High',
};
