import * as z from 'zod';
import { formatPlain } from '../../units/format';
import { labelSchema, positive } from '../common';
import { NO_EFFECT } from './effect';
import { defineKind, ofTank } from './kind';

export const COST_KINDS = [
  'tank',
  'equipment',
  'rock',
  'animals',
  'salt',
  'food',
  'tests',
  'additives',
  'media',
  'medicines',
  'electricity',
  'other',
] as const;
export type CostKind = (typeof COST_KINDS)[number];

const schema = z.strictObject({
  kind: z.literal('cost'),
  ...ofTank,
  of: z.enum(COST_KINDS),
  /** What was bought. */
  what: labelSchema.optional(),
  /** In the keeper's own currency. */
  amount: positive,
});

/** What each kind of cost is called, and whether it keeps a tank running; the rest is bought once. */
export const COSTS: Record<CostKind, { name: string; running: boolean }> = {
  tank: { name: 'Tank and stand', running: false },
  equipment: { name: 'Equipment', running: false },
  rock: { name: 'Rock and sand', running: false },
  animals: { name: 'Animals', running: false },
  salt: { name: 'Salt and water', running: true },
  food: { name: 'Food', running: true },
  tests: { name: 'Tests', running: true },
  additives: { name: 'Additives and bacteria', running: true },
  media: { name: 'Carbon, socks, resin', running: true },
  medicines: { name: 'Medicines', running: true },
  electricity: { name: 'Electricity', running: true },
  other: { name: 'Other', running: false },
};

/** Money that a tank cost. */
export const cost = defineKind({
  schema,
  subject: 'tank',
  name: 'cost',
  counted: ['cost', 'costs'],
  reported: false,
  title: (entry) => COSTS[entry.of].name,
  line: ({ amount, what }) => [formatPlain(amount, 2), what ?? ''].filter(Boolean).join(', '),
  touches: () => [],
  cycle: () => NO_EFFECT,
});
