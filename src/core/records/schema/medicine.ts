import * as z from 'zod';
import { nameSchema, noteSchema, positive } from '../common';

export const MEDICINE_KINDS = [
  'copper',
  'antibiotic',
  'formaldehyde',
  'methyleneBlue',
  'peroxide',
  'other',
  'binder',
] as const;

/** What it is given as: liquid by mL, powder and food by grams, tablets by number. */
export const MEDICINE_FORMS = ['liquid', 'powder', 'tablet', 'food'] as const;
export type MedicineForm = (typeof MEDICINE_FORMS)[number];

/** How its copper is held, which decides what kit reads it; unknown where the label is silent. */
export const COPPER_FORMS = ['chelated', 'ionic', 'unknown'] as const;

/** What a label says of a harm: it may be silent. */
export const LABEL_SAYS = ['no', 'yes', 'unknown'] as const;

/** Whether a product reduces what it meets, as binders and dechlorinators do. */
export const REDUCING = ['no', 'yes', 'unknown'] as const;

/** What the label of a medicine or an ammonia binder says, as the keeper copied it. No number of ours. */
export const medicineSchema = z
  .strictObject({
    name: nameSchema,
    kind: z.enum(MEDICINE_KINDS),
    /** What it is given as; a liquid where nobody said. */
    form: z.enum(MEDICINE_FORMS).optional(),
    /** Of copper. */
    copper: z.enum(COPPER_FORMS).optional(),
    /** The range that the label asks for, in the unit that its test reads. */
    target: z.strictObject({ low: positive, high: positive }).optional(),
    unit: z.string().trim().min(1).max(20).optional(),
    /** By how much 1 mL, 1 g or one tablet raises 1 L, in that unit. */
    strength: positive.optional(),
    /** Days that it is kept up. */
    days: z.number().min(0.1).max(120).optional(),
    /** Days after which it is given again. */
    redoseDays: z.number().min(0.1).max(60).optional(),
    /** Lowers oxygen: strong air while it is in. */
    lowersOxygen: z.boolean(),
    /** Harms the bacteria of a filter. */
    harmsFilter: z.enum(LABEL_SAYS),
    /** Harms invertebrates and corals. */
    harmsInvertebrates: z.boolean(),
    /** Carbon and skimming take it out: both off while it is in. */
    carbonOut: z.boolean(),
    /** Of a binder or dechlorinator: what is not known counts as yes. */
    reducing: z.enum(REDUCING),
    note: noteSchema.optional(),
  })
  .refine(
    ({ target }) => !target || target.low <= target.high,
    'has a range that ends below its beginning',
  );
export type Medicine = z.infer<typeof medicineSchema>;
