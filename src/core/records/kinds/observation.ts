import * as z from 'zod';
import { labelSchema, textSchema } from '../common';
import { NO_EFFECT } from './effect';
import { defineKind, ofTank, type WordsOf } from './kind';

export const OBSERVED = ['tank', 'animal', 'equipment'] as const;
export type Observed = (typeof OBSERVED)[number];

const schema = z.strictObject({
  kind: z.literal('observation'),
  ...ofTank,
  about: z.enum(OBSERVED),
  /** Which animal, or which piece of equipment. */
  which: labelSchema.optional(),
  text: textSchema,
});
export type ObservationEntry = z.infer<typeof schema>;

export const OBSERVED_WORDS: WordsOf<Observed> = {
  tank: 'The tank',
  animal: 'An animal',
  equipment: 'Equipment',
};

/** Something seen, with what it was seen of. */
export const observation = defineKind({
  schema,
  subject: 'tank',
  name: 'observation',
  counted: ['observation', 'observations'],
  reported: true,
  title: (entry) => entry.which ?? OBSERVED_WORDS[entry.about],
  line: (entry) => entry.text,
  touches: ({ about }) =>
    about === 'animal' ? ['livestock'] : about === 'equipment' ? ['equipment'] : [],
  cycle: () => NO_EFFECT,
});
