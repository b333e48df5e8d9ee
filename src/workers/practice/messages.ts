import * as z from 'zod';

const days = z.array(z.number().nullable());

/** What is asked: what a deed of a run did to tanks like it. */
export const askAlikeSchema = z.object({ run: z.string(), deedId: z.string().max(60) });

/** What comes back: how far it is, or how it ended. */
export const alikeAnswerSchema = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('progress'), share: z.number().min(0).max(1) }),
  z.object({
    kind: z.literal('done'),
    alike: z.object({
      tanks: z.int().min(0),
      days: z.int().min(0),
      withIt: days,
      without: days,
    }),
  }),
  z.object({ kind: z.literal('failed') }),
]);
export type AlikeAnswer = z.infer<typeof alikeAnswerSchema>;
