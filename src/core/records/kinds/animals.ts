import * as z from 'zod';
import { formatPlain } from '../../units/format';
import { asTypedSchema, sizeSchema } from '../../livestock/catalogue/size';
import { daySchema, idSchema, labelSchema, nameSchema, photoIdSchema, positive } from '../common';
import { animalIdSchema } from '../keys';
import type { CycleEffect } from './effect';
import { defineKind, ofTank, type WordsOf } from './kind';

export const ANIMAL_GROUPS = ['fish', 'invertebrate', 'coral'] as const;
export type AnimalGroup = (typeof ANIMAL_GROUPS)[number];
export const ANIMAL_MOVES = ['in', 'out', 'died', 'missing', 'moved', 'lent', 'back'] as const;
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
  /** Which animal of the catalogue it is; left out where none is. */
  species: animalIdSchema.optional(),
  /** Its name is a guess. */
  notSure: z.literal(true).optional(),
  /** The entry that those came in by whom this one is about. */
  cohort: idSchema.optional(),
  /** Length of one of them, cm. */
  sizeCm: sizeSchema.optional(),
  asTyped: asTypedSchema.optional(),
  /** Whom it came from. */
  source: labelSchema.optional(),
  /** What they cost together, in the keeper's own money. */
  price: positive.optional(),
  /** The tank it went to, or came from. */
  otherTankId: idSchema.optional(),
  /** The day a loan ends, or by which one that outgrows the tank is to have another home. */
  until: daySchema.optional(),
  /** What it died of, as far as anybody knows. */
  cause: labelSchema.optional(),
  /** Those that lived together before and were moved as one community share a word. */
  together: labelSchema.optional(),
  /** What they look like. */
  photo: photoIdSchema.optional(),
});
export type AnimalsEntry = z.infer<typeof schema>;

export const GROUP_WORDS: WordsOf<AnimalGroup> = {
  fish: 'Fish',
  invertebrate: 'Snail, shrimp, other',
  coral: 'Coral',
};

export const MOVE_WORDS: WordsOf<AnimalMove> = {
  in: 'In',
  out: 'Out',
  died: 'Died',
  missing: 'Missing',
  moved: 'Moved',
  lent: 'Lent',
  back: 'Back',
};

/** Whether a move brings animals into the tank of its entry. */
export function joins(move: AnimalMove): boolean {
  return move === 'in' || move === 'back';
}

/** One that died or is missing rots where nobody finds it. */
const MOVE_EFFECTS: Record<AnimalMove, CycleEffect> = {
  in: { animals: 'in' },
  back: { animals: 'in' },
  out: { animals: 'out' },
  moved: { animals: 'out' },
  lent: { animals: 'out' },
  died: { animals: 'out', nitrogen: 'later' },
  missing: { animals: 'out', nitrogen: 'later' },
};

/** Animals that came, left or died. */
export const animals = defineKind({
  schema,
  subject: 'tank',
  name: 'animals',
  counted: ['animal entry', 'animal entries'],
  reported: true,
  title: ({ what, move }) => `${what} ${MOVE_WORDS[move].toLowerCase()}`,
  line: ({ count, grams, notSure, source, until, cause, asTyped }) =>
    [
      count === undefined ? '' : `${count} of them`,
      grams === undefined ? '' : `${formatPlain(grams)} g`,
      notSure ? 'not sure which it is' : '',
      source ? `from ${source}` : '',
      until ? `until ${until}` : '',
      cause ?? '',
      asTyped ? `size ${asTyped.sizeCm} cm as typed, not used` : '',
    ]
      .filter(Boolean)
      .join(', '),
  touches: ({ group }) =>
    group === 'coral' ? ['livestock'] : ['livestock', 'ammonia', 'nitrite', 'nitrate'],
  cycle: ({ move }) => MOVE_EFFECTS[move],
});

/** "3 × cerith snail": how some animals are called in a line. */
export function animalsCalled(what: string, count: number | undefined): string {
  return count === undefined || count === 1 ? what : `${what} × ${count}`;
}
