import * as z from 'zod';
import { labelSchema } from '../common';
import { defineKind, ofTank, type WordsOf } from './kind';

export const AGENTS = [
  'antibiotic',
  'copper',
  'otherMedicine',
  'chlorine',
  'bleach',
  'scrubbedRock',
] as const;
export type Agent = (typeof AGENTS)[number];

const schema = z.strictObject({
  kind: z.literal('treatment'),
  ...ofTank,
  agent: z.enum(AGENTS),
  product: labelSchema.optional(),
});
export type TreatmentEntry = z.infer<typeof schema>;

export const AGENT_WORDS: WordsOf<Agent> = {
  antibiotic: 'Antibiotic',
  copper: 'Copper',
  otherMedicine: 'Another medicine',
  chlorine: 'Chlorine',
  bleach: 'Bleach',
  scrubbedRock: 'Rock scrubbed',
};

/** Something that may have harmed the colony. No amount: that belongs to the label. */
export const treatment = defineKind({
  schema,
  subject: 'tank',
  name: 'treatment',
  title: (entry) => AGENT_WORDS[entry.agent],
  line: (entry) => entry.product ?? 'may harm the colony',
  touches: () => ['ammonia', 'nitrite', 'nitrate', 'livestock'],
});
