import * as z from 'zod';
import { PARAMETER_IDS } from '../../parameters/registry';
import { ALL_UNITS } from '../../units/units';
import { isKnownZone } from '../../time/zone';

// Without eval, which the content policy forbids, Zod's own compiler would only report violations.
z.config({ jitless: true });

export const idSchema = z.uuid();
/** An instant with its offset from UTC, as the keeper's clock showed it. */
export const instantSchema = z.iso.datetime({ offset: true });
/** A calendar day without a time: "2026-11-04". */
export const daySchema = z.iso.date();
export const nameSchema = z.string().trim().min(1).max(60);
export const noteSchema = z.string().max(4000);
export const parameterSchema = z.enum(PARAMETER_IDS);
export const unitSchema = z.enum(ALL_UNITS);
export const zoneSchema = z.string().min(1).refine(isKnownZone, 'is not a known time zone');
export const positive = z.number().positive().finite();
export const nonNegative = z.number().min(0).finite();

/** A quantity as it was typed: canonical values are computed, never stored. */
export const quantitySchema = z.strictObject({ value: z.number().finite(), unit: unitSchema });
export type Quantity = z.infer<typeof quantitySchema>;
