import * as z from 'zod';

/** A photo as it is kept is never longer than this, letters: a scaled one has a tenth of it. */
const MOST_LETTERS = 3_000_000;

/** A photo as it is kept and shown: a JPEG as a data address. */
export const photoTextSchema = z
  .string()
  .max(MOST_LETTERS)
  .regex(/^data:image\/jpeg;base64,[A-Za-z0-9+/]+={0,2}$/);
