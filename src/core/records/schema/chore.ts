import * as z from 'zod';
import { daySchema, idSchema, nameSchema, positive } from '../common';
import { shortKeySchema } from '../keys';

/** Days of the week, Monday first, as they are counted here: 0 to 6. */
const weekdaySchema = z.int().min(0).max(6);

/**
 * When a chore comes round: so many days after it was last done, or on days of the calendar whether it
 * was done or not.
 */
export const choreRuleSchema = z.discriminatedUnion('by', [
  z.strictObject({ by: z.literal('days'), every: z.int().min(1).max(1000) }),
  z.strictObject({
    by: z.literal('calendar'),
    unit: z.enum(['day', 'week', 'month']),
    /** Every so many of them. */
    every: z.int().min(1).max(60),
    /** Of weeks: which days; none for that of the start. */
    weekdays: z.array(weekdaySchema).max(7),
    /** The first day it is for; later ones are counted from it. */
    start: daySchema,
  }),
]);
export type ChoreRule = z.infer<typeof choreRuleSchema>;

/** A chore of a tank: one of the usual ones as the keeper wants it, or one of the keeper's own. */
export const choreSchema = z.strictObject({
  tankId: idSchema,
  /** Which of the usual ones it changes; left out for one of the keeper's own. */
  of: shortKeySchema.optional(),
  name: nameSchema,
  /** Minutes it takes. */
  minutes: z.int().min(1).max(600),
  /** New salt water it takes, L. */
  litres: positive.optional(),
  rule: choreRuleSchema,
  /** Not asked for. */
  off: z.literal(true).optional(),
});
export type Chore = z.infer<typeof choreSchema>;
