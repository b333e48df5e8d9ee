import * as z from 'zod';
import { formatPlain } from '../../units/format';
import { nameSchema, positive } from '../common';
import { defineKind, ofTank, type WordsOf } from './kind';

export const ANIMAL_GROUPS = ['fish', 'invertebrate', 'coral'] as const;
export type AnimalGroup = (typeof ANIMAL_GROUPS)[number];
export const ANIMAL_MOVES = ['in', 'out', 'died'] as const;
export type AnimalMove = (typeof ANIMAL_MOVES)[number];

const schema = z.strictObject({
  kind: z.literal('animals'),
  ...ofTank,
  move: z.enum(ANIMAL_MOVES),
  group: z.enum(ANIMAL_GROUPS),
  /** What they are called. */
  what: nameSchema,
  /** How many; left out where nobody counted. */
  count: z.int().min(1).max(10_000).optional(),
  /** What they weigh together, g, where it is known. */
  grams: positive.optional(),
});
export type AnimalsEntry = z.infer<typeof schema>;

export const GROUP_WORDS: WordsOf<AnimalGroup> = {
  fish: 'Fish',
  invertebrate: 'Snail, shrimp, other',
  coral: 'Coral',
};

export const MOVE_WORDS: WordsOf<AnimalMove> = { in: 'In', out: 'Out', died: 'Died' };

/** Animals that came, left or died. */
export const animals = defineKind({
  schema,
  subject: 'tank',
  name: 'animals',
  title: ({ what, move }) => `${what} ${MOVE_WORDS[move].toLowerCase()}`,
  line: ({ count, grams }) =>
    [
      count === undefined ? '' : `${count} of them`,
      grams === undefined ? '' : `${formatPlain(grams)} g`,
    ]
      .filter(Boolean)
      .join(', '),
  touches: ({ group }) =>
    group === 'coral' ? ['livestock'] : ['livestock', 'ammonia', 'nitrite', 'nitrate'],
});
