import * as z from 'zod';
import { countOf, formatPlain } from '../../units/format';
import { positive } from '../common';
import { defineKind, ofTank } from './kind';

export const FOODS = ['pellets', 'flakes', 'frozen', 'seaweed'] as const;
export type Food = (typeof FOODS)[number];

const schema = z.strictObject({
  kind: z.literal('feed'),
  ...ofTank,
  food: z.enum(FOODS),
  amount: z.discriminatedUnion('by', [
    /** Wet, as it goes in. */
    z.strictObject({ by: z.literal('grams'), grams: positive }),
    z.strictObject({ by: z.literal('portions'), portions: positive }),
  ]),
});
export type FeedEntry = z.infer<typeof schema>;

/** Foods as they go in: what a portion is called and weighs, and their share of protein. */
export const FOODS_AS_FED: Record<
  Food,
  { name: string; portion: string; portionGrams: number; protein: number }
> = {
  pellets: { name: 'Pellets', portion: 'pinch', portionGrams: 0.2, protein: 0.45 },
  flakes: { name: 'Flakes', portion: 'pinch', portionGrams: 0.1, protein: 0.45 },
  frozen: { name: 'Frozen food', portion: 'cube', portionGrams: 3.5, protein: 0.1 },
  seaweed: { name: 'Seaweed', portion: 'piece', portionGrams: 1, protein: 0.25 },
};

/** What a portion of each food weighs, g, where the keeper has weighed some. */
export type Portions = Partial<Record<Food, number>>;

/** Grams that a feeding weighed; portions as they were weighed, else by the usual weight of one. */
export function fedGrams(
  { food, amount }: Pick<FeedEntry, 'food' | 'amount'>,
  portions: Portions = {},
): number {
  return amount.by === 'grams'
    ? amount.grams
    : amount.portions * (portions[food] ?? FOODS_AS_FED[food].portionGrams);
}

/** Food for animals, or for filter bacteria that have none yet. */
export const feed = defineKind({
  schema,
  subject: 'tank',
  name: 'feeding',
  counted: ['feeding', 'feedings'],
  reported: false,
  title: (entry) => FOODS_AS_FED[entry.food].name,
  line: ({ food, amount }) =>
    amount.by === 'grams'
      ? `${formatPlain(amount.grams)} g`
      : countOf(amount.portions, FOODS_AS_FED[food].portion, portionWord(food)),
  touches: () => ['ammonia', 'nitrite', 'nitrate', 'phosphate'],
  cycle: () => ({ nitrogen: 'later' }),
});

/** What several portions of a food are called. */
export function portionWord(food: Food): string {
  const { portion } = FOODS_AS_FED[food];
  return portion.endsWith('ch') ? `${portion}es` : `${portion}s`;
}
