import * as z from 'zod';
import { formatPlain } from '../../units/format';
import { positive } from '../common';
import { defineKind, ofTank, type WordsOf } from './kind';

export const MEDIA = ['liveRock', 'liveSand', 'establishedMedia', 'coatedRock'] as const;
export type Media = (typeof MEDIA)[number];

const schema = z.strictObject({
  kind: z.literal('media'),
  ...ofTank,
  move: z.discriminatedUnion('to', [
    /** Rock and sand by weight; established media by the litres they fill. */
    z.strictObject({
      to: z.literal('in'),
      media: z.enum(MEDIA),
      amount: positive,
      unit: z.enum(['kg', 'L']),
    }),
    /** Share of the tank's rock, sand and media together that left, 0 to 1. */
    z.strictObject({ to: z.literal('out'), share: z.number().positive().max(1) }),
  ]),
});
export type MediaEntry = z.infer<typeof schema>;

export const MEDIA_WORDS: WordsOf<Media> = {
  liveRock: 'Live rock',
  liveSand: 'Live sand',
  establishedMedia: 'Established media',
  coatedRock: 'Bacteria-coated rock',
};

/** Rock, sand or filter media that carry filter bacteria, moved in or out. */
export const media = defineKind({
  schema,
  subject: 'tank',
  name: 'rock or media',
  counted: ['change of rock or media', 'changes of rock or media'],
  reported: true,
  title: ({ move }) => (move.to === 'in' ? `${MEDIA_WORDS[move.media]} in` : 'Rock or media out'),
  line: ({ move }) =>
    move.to === 'in'
      ? `${formatPlain(move.amount)} ${move.unit}`
      : `${formatPlain(move.share * 100, 0)} % of it`,
  touches: () => ['ammonia', 'nitrite', 'nitrate'],
  cycle: ({ move }) => ({
    filterBacteria: move.to === 'in' ? { is: 'brought' } : { is: 'taken', share: move.share },
  }),
});
