import * as z from 'zod';

/** What the page asks of a worker. */
export const requestSchema = z.object({ runId: z.int(), job: z.string(), input: z.unknown() });

/** What a worker answers. */
export const answerSchema = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('progress'), runId: z.int(), share: z.number().min(0).max(1) }),
  z.object({ kind: z.literal('done'), runId: z.int(), output: z.unknown() }),
  z.object({ kind: z.literal('failed'), runId: z.int(), why: z.string() }),
]);
export type Answer = z.infer<typeof answerSchema>;
