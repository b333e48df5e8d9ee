import * as z from 'zod';
import { dimensionOf } from '../../units/units';
import { PARAMETERS } from '../../parameters/registry';
import {
  anyNumber,
  daySchema,
  nameSchema,
  nonNegative,
  parameterSchema,
  positive,
  unitSchema,
} from '../common';

const cardScaleSchema = z.strictObject({
  form: z.literal('card'),
  /** The card's own printed steps, in the kit's unit, rising. */
  steps: z
    .array(nonNegative)
    .min(2)
    .max(16)
    .refine(
      (steps) => steps.every((step, i) => i === 0 || step > (steps[i - 1] ?? step)),
      'must rise from step to step',
    ),
});

const digitalScaleSchema = z.strictObject({
  form: z.literal('digital'),
  /** The smallest difference it shows, in the kit's unit. */
  resolution: positive,
  /** The maker's ± figure, in the kit's unit. */
  accuracy: nonNegative,
  /** Whether it corrects for the water's temperature by itself. */
  compensated: z.boolean(),
});

/** Letters in the lot of a kit. */
export const LOT_LETTERS = 40;

/** A test kit or an instrument: one parameter, one unit (which carries the basis), one scale. */
export const kitSchema = z
  .strictObject({
    name: nameSchema,
    parameter: parameterSchema,
    unit: unitSchema,
    scale: z.discriminatedUnion('form', [cardScaleSchema, digitalScaleSchema]),
    /** Minutes from the last reagent to the reading; 0 for none. */
    waitMinutes: z.number().min(0).max(120),
    lot: z.string().max(LOT_LETTERS, `holds ${LOT_LETTERS} letters at most`),
    /** The last day the reagents are good for, if printed. */
    expiresOn: daySchema.nullable(),
    /** Nitrate kits that turn nitrate into nitrite first read any nitrite as well. */
    reduction: z.boolean(),
    /** Whether it has a row of its own on the test sheet. */
    inUse: z.boolean(),
    /** Place on the test sheet, rising. */
    order: anyNumber,
    /** Tests that a fresh pack is for, and since when this one is used. */
    pack: z.strictObject({ tests: z.int().min(1).max(10_000), since: daySchema }).optional(),
    /** Who reads it where that is not the keeper: an instrument that is connected, a shop. */
    readBy: z.enum(['instrument', 'shop']).optional(),
    /** Days after which it is to be checked against a standard again; left out for what is usual. */
    calibrateDays: z.int().min(1).max(3650).optional(),
  })
  .refine((kit) => dimensionOf(kit.unit) === PARAMETERS[kit.parameter].dimension, {
    message: 'has a unit that does not measure its parameter',
    path: ['unit'],
  });
export type Kit = z.infer<typeof kitSchema>;
export type Scale = Kit['scale'];
