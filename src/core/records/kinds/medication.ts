import * as z from 'zod';
import { formatPlain } from '../../units/format';
import { idSchema, nameSchema, positive } from '../common';
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
  /** What a test read, in the unit of the label. */
  value: z.number().min(0).max(1_000_000).optional(),
});

const ACT_WORDS: WordsOf<MedicationAct> = {
  given: 'given',
  carbonIn: 'being taken out with carbon',
  measured: 'measured',
};

/** A medicine by its label: given, measured, or taken out again. */
export const medication = defineKind({
  schema,
  subject: 'tank',
  name: 'medicine by its label',
  title: ({ what }) => what,
  line: ({ act, mL, value }) =>
    [
      ACT_WORDS[act],
      ...(mL === undefined ? [] : [`${formatPlain(mL, 2)} mL`]),
      ...(value === undefined ? [] : [formatPlain(value, 3)]),
    ].join(', '),
  touches: () => ['livestock'],
});
