import * as z from 'zod';
import { idSchema, instantSchema, photoIdSchema } from '../records/common';
import { shortKeySchema } from '../records/keys';
import { deviceSchema } from './device';
import { monthsSchema } from './months';

/** The name of the format of a file that goes from one device of a keeper to another. */
export const CARRY_FORMAT = 'zoarium-carry';

/** Photos that one device may ask another for at once. */
const MOST_WANTED = 2000;
export const wantedSchema = z.array(photoIdSchema).max(MOST_WANTED);

/** What a carry says before its records. */
export const carryHeadSchema = z.object({
  /** The carry itself, so that it is known again. */
  id: idSchema,
  from: deviceSchema,
  /** The device whose receipt it was made by; null where it holds everything. */
  to: shortKeySchema.nullable(),
  madeAt: instantSchema,
  /** What the device that made it holds: the receipt for what it was given before. */
  months: monthsSchema,
  /** Photos that its animals show and it does not have. */
  wants: wantedSchema,
});
export type CarryHead = z.infer<typeof carryHeadSchema>;
