import * as z from 'zod';
import { PARAMETER_IDS } from '../parameters/registry';
import { ALL_UNITS, dimensionOf, type Dimension } from '../units/units';
import { isKnownZone } from '../time/zone';

// Without eval, which the content policy forbids, Zod's own compiler would only report violations.
z.config({ jitless: true });

/** What no amount of anything at a tank reaches: a typed or damaged number beyond it is no amount. */
export const MOST = 1_000_000;
/** The smallest amount that is one. */
export const LEAST = 1e-6;
/** Letters in a product's name, and in a note. */
export const NAME_LETTERS = 60;
export const NOTE_LETTERS = 4000;

const tooMany = (most: number) => `holds ${most} letters at most`;

export const idSchema = z.uuid();
/** The id of a photo: SHA-256 of its bytes, as hex. The photo itself lies outside the records. */
export const photoIdSchema = z.string().regex(/^[0-9a-f]{64}$/);
/** An instant with its offset from UTC, as the keeper's clock showed it. */
export const instantSchema = z.iso.datetime({ offset: true });
/** A calendar day without a time: "2026-11-04". */
export const daySchema = z.iso.date();
export const nameSchema = z
  .string()
  .trim()
  .min(1, 'is missing')
  .max(NAME_LETTERS, tooMany(NAME_LETTERS));
/** A name that may be left out, of a product or a place. */
export const labelSchema = z.string().max(NAME_LETTERS, tooMany(NAME_LETTERS));
export const noteSchema = z.string().max(NOTE_LETTERS, tooMany(NOTE_LETTERS));
export const textSchema = z
  .string()
  .trim()
  .min(1, 'is empty')
  .max(NOTE_LETTERS, tooMany(NOTE_LETTERS));
export const parameterSchema = z.enum(PARAMETER_IDS);
export const unitSchema = z.enum(ALL_UNITS);
export const zoneSchema = z.string().min(1).max(80).refine(isKnownZone, 'is not a known time zone');
export const positive = z.number().min(LEAST).max(MOST);
export const nonNegative = z.number().min(0).max(MOST);
export const anyNumber = z.number().min(-MOST).max(MOST);

/** A quantity as it was typed: canonical values are computed, never stored. */
export const quantitySchema = z.strictObject({ value: anyNumber, unit: unitSchema });
export type Quantity = z.infer<typeof quantitySchema>;

/** A quantity in a unit of one dimension. */
export function quantityOf(dimension: Dimension) {
  return quantitySchema.refine(
    ({ unit }) => dimensionOf(unit) === dimension,
    `is not in a unit of ${dimension}`,
  );
}
