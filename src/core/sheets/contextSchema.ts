import * as z from 'zod';
import { daySchema, idSchema, zoneSchema } from '../records/common';
import { kitSchema } from '../records/schema/kit';

/** What a sheet is read against, as it goes to a worker. */
export const sheetContextSchema = z.object({
  now: z.number(),
  today: daySchema,
  tanks: z
    .array(
      z.object({
        id: idSchema,
        name: z.string(),
        zone: zoneSchema,
        filledOn: daySchema.nullable(),
      }),
    )
    .readonly(),
  tankId: idSchema,
  kits: z.array(z.object({ id: idSchema, kit: kitSchema, fresh: z.boolean() })).readonly(),
  usualOrder: z.enum(['dmy', 'mdy', 'ymd']),
});
