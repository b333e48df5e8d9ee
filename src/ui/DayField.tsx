import { piece, roomFor } from './piece';
import { touch } from './tokens';

/** Fetched with the first: reading typed dates is a large part. */
const dates = piece(() => import('./dates/chunk'));

/** A calendar day to type or to pick. */
export const DayField = roomFor(dates, 'DayField', 98);

/** A day to type, with nothing around it. */
export const TypedDay = roomFor(dates, 'TypedDay', touch);
