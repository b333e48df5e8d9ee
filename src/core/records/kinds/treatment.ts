import * as z from 'zod';
import { labelSchema } from '../common';
import { HARMED, SLOWED, type CycleEffect } from './effect';
import { defineKind, ofTank } from './kind';

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

interface AgentRow {
  name: string;
  /** What it does to filter bacteria: what nobody knows is taken to harm them. */
  cycle: CycleEffect;
  /** Whether it is a medicine, which goes by a label. */
  medicine: boolean;
  /** Whether it holds copper; *maybe* for what only a label would say. */
  copper: 'yes' | 'maybe' | 'no';
}

const ROWS: Record<Agent, AgentRow> = {
  antibiotic: { name: 'Antibiotic', cycle: HARMED, medicine: true, copper: 'no' },
  copper: { name: 'Copper', cycle: SLOWED, medicine: true, copper: 'yes' },
  formaldehyde: { name: 'Formaldehyde', cycle: HARMED, medicine: true, copper: 'maybe' },
  methyleneBlue: { name: 'Methylene blue', cycle: HARMED, medicine: true, copper: 'maybe' },
  peroxide: { name: 'Peroxide', cycle: HARMED, medicine: true, copper: 'no' },
  otherMedicine: { name: 'Another medicine', cycle: HARMED, medicine: true, copper: 'maybe' },
  chlorine: { name: 'Chlorine', cycle: HARMED, medicine: false, copper: 'no' },
  bleach: { name: 'Bleach', cycle: HARMED, medicine: false, copper: 'no' },
  scrubbedRock: { name: 'Rock scrubbed', cycle: HARMED, medicine: false, copper: 'no' },
};

export const agentName = (agent: Agent) => ROWS[agent].name;
export const isMedicine = (agent: Agent) => ROWS[agent].medicine;
export const holdsCopper = (agent: Agent) => ROWS[agent].copper;

/** Something that may have harmed the filter bacteria. No amount: that belongs to the label. */
export const treatment = defineKind({
  schema,
  subject: 'tank',
  name: 'treatment',
  counted: ['treatment', 'treatments'],
  reported: true,
  title: (entry) => agentName(entry.agent),
  line: (entry) => entry.product ?? 'may harm the filter bacteria',
  touches: () => ['ammonia', 'nitrite', 'nitrate', 'livestock'],
  cycle: ({ agent }) => ROWS[agent].cycle,
});
