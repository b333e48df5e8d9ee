import * as z from 'zod';
import { LIMITS, limitWords } from './limits';

/** The length of an animal, cm. */
export const sizeSchema = z
  .number()
  .min(LIMITS.adultCm.low, limitWords('adultCm'))
  .max(LIMITS.adultCm.high, limitWords('adultCm'));

/** A length of an older log that no animal has: kept as it was typed, and not used. */
export const asTypedSchema = z.strictObject({ sizeCm: z.number() });
