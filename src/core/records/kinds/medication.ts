import * as z from 'zod';
import { countOf, formatPlain } from '../../units/format';
import { idSchema, nameSchema, positive } from '../common';
import type { Medicine } from '../schema/medicine';
import { HARMED, NO_EFFECT, SLOWED, type CycleEffect } from './effect';
import { defineKind, ofTank, type WordsOf } from './kind';

export const MEDICATION_ACTS = ['given', 'carbonIn', 'measured'] as const;
export type MedicationAct = (typeof MEDICATION_ACTS)[number];

const schema = z.strictObject({
  kind: z.literal('medication'),
  ...ofTank,
  /** The label it goes by. */
  medicineId: idSchema,
  what: nameSchema,
  act: z.enum(MEDICATION_ACTS),
  /** mL that went in, of one given. */
  mL: positive.optional(),
  /** Grams of a powder or of food, or tablets, that went in. */
  grams: positive.optional(),
  tablets: positive.optional(),
  /** What a test read, in the unit of the label. */
  value: z.number().min(0).max(1_000_000).optional(),
});

const ACT_WORDS: WordsOf<MedicationAct> = {
  given: 'given',
  carbonIn: 'being taken out with carbon',
  measured: 'measured',
};

/** What kinds of medicine do to filter bacteria, where the label is silent about its filter. */
const EFFECTS: Record<Medicine['kind'], CycleEffect> = {
  antibiotic: HARMED,
  copper: SLOWED,
  formaldehyde: HARMED,
  methyleneBlue: HARMED,
  peroxide: HARMED,
  other: HARMED,
  // What a binder does is told by the dose of it, which is logged beside.
  binder: { binds: true },
};
/** Kinds that kill bacteria by what they are, whatever is printed on the bottle. */
const ALWAYS: ReadonlySet<Medicine['kind']> = new Set(['antibiotic', 'peroxide', 'formaldehyde']);

/** What a medicine does to filter bacteria, by its label; one whose label is not on record harms them. */
export function medicineEffect(medicine: Medicine | undefined): CycleEffect {
  if (!medicine) return HARMED;
  const { kind, harmsFilter } = medicine;
  if (kind === 'binder') return EFFECTS.binder;
  if (harmsFilter === 'yes') return HARMED;
  return harmsFilter === 'no' && !ALWAYS.has(kind) ? NO_EFFECT : EFFECTS[kind];
}

/** A medicine by its label: given, measured, or taken out again. */
export const medication = defineKind({
  schema,
  subject: 'tank',
  name: 'medicine by its label',
  counted: ['medicine by its label', 'medicines by their labels'],
  reported: true,
  title: ({ what }) => what,
  line: ({ act, mL, grams, tablets, value }) =>
    [
      ACT_WORDS[act],
      ...(mL === undefined ? [] : [`${formatPlain(mL, 2)} mL`]),
      ...(grams === undefined ? [] : [`${formatPlain(grams, 3)} g`]),
      ...(tablets === undefined ? [] : [countOf(tablets, 'tablet')]),
      ...(value === undefined ? [] : [formatPlain(value, 3)]),
    ].join(', '),
  touches: () => ['livestock'],
  cycle: ({ act, medicineId }, { medicineOf }) =>
    act === 'given' ? medicineEffect(medicineOf(medicineId)) : NO_EFFECT,
});
