import * as z from 'zod';
import { shortKeySchema } from '../records/keys';

/** A device of the keeper's: the browser in which a copy of the log lives, and what its keeper calls it. */
export const deviceSchema = z.object({
  id: shortKeySchema,
  name: z.string().trim().min(1).max(40),
});
export type Device = z.infer<typeof deviceSchema>;
