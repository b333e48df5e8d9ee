import * as z from 'zod';
import { hashText } from '../math/hash';

/** Letters in a key, and in the id of an animal. */
export const KEY_LETTERS = 120;
export const ID_LETTERS = 60;

/**
 * What names a step, a clock, a task or a protocol: it goes into calendars, addresses and names of files,
 * so it holds letters and digits of ASCII and a few marks, and never a space, a quote or a line break.
 */
const KEY = /^[A-Za-z0-9][A-Za-z0-9._:/@-]*$/;
const ANIMAL = /^[a-z0-9][a-z0-9-]*$/;
const SAYS = 'may hold letters, digits and . _ : / @ - alone';

export const keySchema = z.string().max(KEY_LETTERS).regex(KEY, SAYS);
/** A key that is a part of a longer one, or stands alone where it is short. */
export const shortKeySchema = z.string().max(ID_LETTERS).regex(KEY, SAYS);
/** The id of an animal of the catalogue, or of the keeper's own. */
export const animalIdSchema = z
  .string()
  .max(ID_LETTERS)
  .regex(ANIMAL, 'may hold small letters, digits and - alone');

/**
 * A key of an older log in the alphabet of today: one that fits stays; each part of it that does not is
 * named by its hash, the same on every device, so that whatever refers to it goes on doing so.
 */
export function narrowKey(key: string, most: number = KEY_LETTERS): string {
  if (key.length <= most && KEY.test(key)) return key;
  const parts = key.split('/').map((part) => (KEY.test(part) ? part : `k${hashText(part)}`));
  const narrow = parts.join('/');
  return narrow.length <= most ? narrow : `k${hashText(key)}`;
}

/** The id of an animal of an older log, the same way. */
export function narrowAnimalId(id: string): string {
  return id.length <= ID_LETTERS && ANIMAL.test(id) ? id : `own-${hashText(id)}`;
}
