import * as z from 'zod';
import { labelSchema } from '../common';
import { HARMED, SLOWED, type CycleEffect } from './effect';
import { defineKind, ofTank, type WordsOf } from './kind';

export const AGENTS = [
  'antibiotic',
  'copper',
  'formaldehyde',
  'methyleneBlue',
  'peroxide',
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
  formaldehyde: 'Formaldehyde',
  methyleneBlue: 'Methylene blue',
  peroxide: 'Peroxide',
  otherMedicine: 'Another medicine',
  chlorine: 'Chlorine',
  bleach: 'Bleach',
  scrubbedRock: 'Rock scrubbed',
};

/** What each does to a colony: what nobody knows is taken to harm it. */
const EFFECTS: Record<Agent, CycleEffect> = {
  antibiotic: HARMED,
  copper: SLOWED,
  formaldehyde: HARMED,
  methyleneBlue: HARMED,
  peroxide: HARMED,
  otherMedicine: HARMED,
  chlorine: HARMED,
  bleach: HARMED,
  scrubbedRock: HARMED,
};

/** Something that may have harmed the colony. No amount: that belongs to the label. */
export const treatment = defineKind({
  schema,
  subject: 'tank',
  name: 'treatment',
  title: (entry) => AGENT_WORDS[entry.agent],
  line: (entry) => entry.product ?? 'may harm the colony',
  touches: () => ['ammonia', 'nitrite', 'nitrate', 'livestock'],
  cycle: ({ agent }) => EFFECTS[agent],
});
