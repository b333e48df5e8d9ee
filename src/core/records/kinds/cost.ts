import * as z from 'zod';
import { formatPlain } from '../../units/format';
import { labelSchema, positive } from '../common';
import { defineKind, ofTank, type WordsOf } from './kind';

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

export const COST_WORDS: WordsOf<CostKind> = {
  tank: 'Tank and stand',
  equipment: 'Equipment',
  rock: 'Rock and sand',
  animals: 'Animals',
  salt: 'Salt and water',
  food: 'Food',
  tests: 'Tests',
  additives: 'Additives and bacteria',
  media: 'Carbon, socks, resin',
  medicines: 'Medicines',
  electricity: 'Electricity',
  other: 'Other',
};

/** Money that a tank cost. */
export const cost = defineKind({
  schema,
  subject: 'tank',
  name: 'cost',
  title: (entry) => COST_WORDS[entry.of],
  line: ({ amount, what }) => [formatPlain(amount, 2), what ?? ''].filter(Boolean).join(', '),
  touches: () => [],
});
