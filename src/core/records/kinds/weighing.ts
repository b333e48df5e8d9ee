import * as z from 'zod';
import { formatPlain, formatSignificant } from '../../units/format';
import { labelSchema, positive } from '../common';
import { FOODS } from './feed';
import { NO_EFFECT } from './effect';
import { defineKind, ofTank, type WordsOf } from './kind';

export const WEIGHED = ['saltCup', 'drop', ...FOODS] as const;
export type Weighed = (typeof WEIGHED)[number];

export const WEIGHED_WORDS: WordsOf<Weighed> = {
  saltCup: 'Cups of salt',
  drop: 'Drops',
  pellets: 'Pinches of pellets',
  flakes: 'Pinches of flakes',
  frozen: 'Cubes of frozen food',
  seaweed: 'Pieces of seaweed',
};
/** What each comes to: drops in mL, the rest in grams. */
export const WEIGHED_UNIT = {
  saltCup: 'g',
  drop: 'mL',
  pellets: 'g',
  flakes: 'g',
  frozen: 'g',
  seaweed: 'g',
} as const satisfies WordsOf<Weighed>;

const schema = z.strictObject({
  kind: z.literal('weighing'),
  ...ofTank,
  what: z.enum(WEIGHED),
  /** How many of them. */
  count: positive,
  /** What they came to together: g of salt, mL of drops. */
  amount: positive,
  product: labelSchema.optional(),
});

/** A cup, a drop or a portion of food weighed once, so that it can be counted from then on. */
export const weighing = defineKind({
  schema,
  subject: 'tank',
  name: 'weighing',
  counted: ['weighing', 'weighings'],
  reported: false,
  title: (entry) => WEIGHED_WORDS[entry.what],
  line: ({ what, count, amount }) =>
    `${formatPlain(count, 1)} came to ${formatSignificant(amount, 4)} ${WEIGHED_UNIT[what]}`,
  touches: () => ['supplies'],
  cycle: () => NO_EFFECT,
});
