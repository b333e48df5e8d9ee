import * as z from 'zod';
import {
  daySchema,
  idSchema,
  instantSchema,
  noteSchema,
  nonNegative,
  parameterSchema,
  positive,
  quantitySchema,
  unitSchema,
} from './common';

const common = {
  tankId: idSchema,
  at: instantSchema,
  note: noteSchema.optional(),
};

/**
 * A card reading pins the steps it was read against, so that a kit edited later cannot move it:
 * `low` and `high` index into them; they differ by one when the colour lay between two steps.
 */
const cardValueSchema = z
  .strictObject({
    form: z.literal('card'),
    steps: z.array(nonNegative).min(2).max(16),
    low: z.int().min(0),
    high: z.int().min(0),
  })
  .refine((v) => v.high < v.steps.length && (v.high === v.low || v.high === v.low + 1), {
    message: 'names a step that the card does not have',
  });

const digitalValueSchema = z.strictObject({
  form: z.literal('digital'),
  value: z.number().finite(),
  unit: unitSchema,
});

export const readingSchema = z.strictObject({
  kind: z.literal('reading'),
  ...common,
  parameter: parameterSchema,
  kitId: idSchema,
  value: z.discriminatedUnion('form', [cardValueSchema, digitalValueSchema]),
  /** Total volume over sample volume when the sample was diluted; 1 when it was not. */
  dilution: z.number().min(1).max(1000),
  /** The keeper was asked about an unlikely value and said it is what was read. */
  confirmed: z.literal(true).optional(),
});
export type ReadingEntry = z.infer<typeof readingSchema>;
export type ReadingValue = ReadingEntry['value'];

export const DOSE_SUBSTANCES = [
  'ammoniumChloride',
  'householdAmmonia',
  'bacteria',
  'alkalinity',
  'ammoniaBinder',
  'other',
] as const;
export type DoseSubstance = (typeof DOSE_SUBSTANCES)[number];

/** What the label of an ammonia bottle says, in whichever way it says it. */
export const doseStrengthSchema = z.discriminatedUnion('by', [
  /** `amount` drops or mL in `litres` of water read `gives` on the label's basis. */
  z.strictObject({
    by: z.literal('label'),
    amount: positive,
    unit: z.enum(['drop', 'mL']),
    litres: positive,
    gives: positive,
    basis: z.enum(['ammonia N', 'ammonia NH3', 'ammonia NH4']),
  }),
  /** Grams in 100 mL. */
  z.strictObject({ by: z.literal('percent'), percent: z.number().positive().max(100) }),
  /** The dry salt itself. */
  z.strictObject({ by: z.literal('pure') }),
]);
export type DoseStrength = z.infer<typeof doseStrengthSchema>;

/** What is known of a bottle of bacteria; kept cold, or not, and how old, decides what is left alive. */
export const bottleSchema = z.strictObject({
  keeps: z.enum(['refrigerated', 'shelfStable', 'unknown']),
  /** Whether it stood in a fridge since it was bought. */
  storedCold: z.boolean(),
  /** The day it was made, or bought if that is all one knows. */
  madeOn: daySchema.nullable(),
  /** Litres that this amount is for by its label; null when it does not say. */
  forLitres: positive.nullable(),
});
export type Bottle = z.infer<typeof bottleSchema>;

export const doseSchema = z.strictObject({
  kind: z.literal('dose'),
  ...common,
  substance: z.enum(DOSE_SUBSTANCES),
  amount: z.discriminatedUnion('by', [
    z.strictObject({ by: z.literal('drops'), drops: positive, dropMl: positive }),
    z.strictObject({ by: z.literal('mL'), mL: positive }),
    z.strictObject({ by: z.literal('grams'), grams: positive }),
    /** The rise aimed at, where nobody counted. */
    z.strictObject({ by: z.literal('target'), rise: quantitySchema }),
  ]),
  /** Of ammonia sources only; null when nobody knows. */
  strength: doseStrengthSchema.nullable(),
  /** Counted roughly. */
  about: z.boolean(),
  /** What the keeper calls it, for substances without a strength. */
  product: z.string().max(60).optional(),
  /** Of bottled bacteria only. */
  bottle: bottleSchema.optional(),
});
export type DoseEntry = z.infer<typeof doseSchema>;

export const waterChangeSchema = z.strictObject({
  kind: z.literal('waterChange'),
  ...common,
  litres: positive,
  /** What the new water measured, as far as anybody did. */
  newWater: z.strictObject({
    salinity: quantitySchema.optional(),
    temperature: quantitySchema.optional(),
    alkalinity: quantitySchema.optional(),
    ph: quantitySchema.optional(),
    ammonia: quantitySchema.optional(),
  }),
});
export type WaterChangeEntry = z.infer<typeof waterChangeSchema>;

export const noteEntrySchema = z.strictObject({
  kind: z.literal('note'),
  ...common,
  text: z.string().trim().min(1).max(4000),
});
export type NoteEntry = z.infer<typeof noteEntrySchema>;

export const FOODS = ['pellets', 'flakes', 'frozen', 'seaweed'] as const;
export type Food = (typeof FOODS)[number];
export const SIPHONED = ['little', 'some', 'much'] as const;

/** Organic matter in or out: what it leaches feeds the colony. */
export const organicsSchema = z.strictObject({
  kind: z.literal('organics'),
  ...common,
  action: z.discriminatedUnion('what', [
    z.strictObject({ what: z.literal('prawnIn'), grams: positive }),
    z.strictObject({ what: z.literal('prawnOut') }),
    z.strictObject({ what: z.literal('food'), food: z.enum(FOODS), grams: positive }),
    z.strictObject({ what: z.literal('siphoned'), amount: z.enum(SIPHONED) }),
  ]),
});
export type OrganicsEntry = z.infer<typeof organicsSchema>;

export const MEDIA = ['liveRock', 'liveSand', 'establishedMedia', 'coatedRock'] as const;
export type Media = (typeof MEDIA)[number];

/** Rock, sand or filter media that carry a colony, moved in or out. */
export const mediaSchema = z.strictObject({
  kind: z.literal('media'),
  ...common,
  move: z.discriminatedUnion('to', [
    /** Rock and sand by weight; established media by the litres they fill. */
    z.strictObject({
      to: z.literal('in'),
      media: z.enum(MEDIA),
      amount: positive,
      unit: z.enum(['kg', 'L']),
    }),
    /** Share of the tank's rock, sand and media together that left, 0 to 1. */
    z.strictObject({ to: z.literal('out'), share: z.number().positive().max(1) }),
  ]),
});
export type MediaEntry = z.infer<typeof mediaSchema>;

export const AGENTS = [
  'antibiotic',
  'copper',
  'otherMedicine',
  'chlorine',
  'bleach',
  'scrubbedRock',
] as const;
export type Agent = (typeof AGENTS)[number];

/** Something that may have harmed the colony. No amount: that belongs to the label. */
export const treatmentSchema = z.strictObject({
  kind: z.literal('treatment'),
  ...common,
  agent: z.enum(AGENTS),
  product: z.string().max(60).optional(),
});
export type TreatmentEntry = z.infer<typeof treatmentSchema>;

export const lightSchema = z.strictObject({
  kind: z.literal('light'),
  ...common,
  state: z.enum(['on', 'off']),
  hoursADay: z.number().positive().max(24).optional(),
});
export type LightEntry = z.infer<typeof lightSchema>;

export const GROWTHS = ['diatoms', 'film', 'hair', 'sheet', 'brownSnot'] as const;
export type Growth = (typeof GROWTHS)[number];
export const EXTENTS = ['none', 'trace', 'patches', 'covering'] as const;
export type Extent = (typeof EXTENTS)[number];

/** One growth of the ugly stage, as far as it was seen to reach. */
export const sightingSchema = z.strictObject({
  kind: z.literal('sighting'),
  ...common,
  growth: z.enum(GROWTHS),
  extent: z.enum(EXTENTS),
});
export type SightingEntry = z.infer<typeof sightingSchema>;

/** Every kind of fact a keeper can log. A new kind is added here and in the switches that name it. */
export const entrySchema = z.discriminatedUnion('kind', [
  readingSchema,
  doseSchema,
  waterChangeSchema,
  noteEntrySchema,
  organicsSchema,
  mediaSchema,
  treatmentSchema,
  lightSchema,
  sightingSchema,
]);
export type Entry = z.infer<typeof entrySchema>;
export type EntryKind = Entry['kind'];
