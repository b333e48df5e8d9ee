import * as z from 'zod';
import { shortKeySchema } from '../keys';

export const PROTOCOL_FOR = ['fish', 'coral', 'anemone', 'invertebrate'] as const;

/** What a protocol may have tested. */
export const TESTED = ['ammonia', 'ph', 'alkalinity', 'salinity', 'temperature'] as const;

const line = z.string().trim().min(3).max(200);

/** A way through quarantine: its stages, what is tested, what is checked before release, what it trades. */
export const protocolSchema = z.strictObject({
  id: shortKeySchema,
  name: z.string().trim().min(2).max(60),
  for: z.array(z.enum(PROTOCOL_FOR)).min(1),
  /** Days clear of any sign before its animals are released; 0 for none at all. */
  days: z.int().min(0).max(120),
  /** What choosing it trades. */
  trades: z.string().trim().min(10).max(300),
  /** Its parts in order: from which day, and what is done. */
  stages: z
    .array(
      z.strictObject({
        name: z.string().trim().min(2).max(60),
        fromDay: z.int().min(0).max(120),
        does: z.array(line).min(1).max(8),
        /** Asked as soon as a sign stands, and never while all are well. */
        onSign: z.literal(true).optional(),
        /** Asked once what is held was held for its days, whatever the clear days are. */
        afterHeld: z.literal(true).optional(),
        /** A medicine goes in: asked once its label is on record. */
        treats: z.literal(true).optional(),
      }),
    )
    .max(10),
  /** Of moves between two tanks: the most hours between two, and how many there are. */
  moves: z
    .strictObject({ everyHours: z.int().min(24).max(120), count: z.int().min(1).max(12) })
    .optional(),
  /**
   * Of a figure that is held by its readings: its range, how many days within it, whether one below begins them
   * anew or only does not count, and the days after them before release.
   */
  holds: z
    .strictObject({
      parameter: z.enum(['temperature', 'salinity']),
      low: z.number().min(0).max(60),
      high: z.number().min(0).max(60),
      days: z.int().min(1).max(120),
      below: z.enum(['anew', 'pause']),
      then: z.int().min(0).max(120),
    })
    .refine(({ low, high }) => low <= high, 'has a range that ends below its beginning')
    .optional(),
  /** Tests that fall due: what, and every how many days. */
  tests: z
    .array(
      z.strictObject({
        parameter: z.enum(TESTED),
        everyDays: z.int().min(1).max(30),
      }),
    )
    .max(6),
  /** What is true before they are released. */
  release: z.array(line).max(8),
  /** What restarts its clock, and for whom. */
  restarts: line,
});
export type Protocol = z.infer<typeof protocolSchema>;
