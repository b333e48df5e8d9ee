import * as z from 'zod';
import type { CycleProblem, Forecast } from '../core/cycle/forecast';

// Without eval, which the content policy forbids, Zod's own compiler would only report violations.
z.config({ jitless: true });

/** What a run belongs to: answers to an older run are thrown away. */
const run = { runId: z.int(), inputHash: z.string() };

/** The shape that a run relies on, so that a damaged message is refused and not computed with. */
const problemShape = z.looseObject({
  tankId: z.string(),
  origin: z.number(),
  at: z.number(),
  steps: z.int().positive(),
  stepsPerDay: z.int().positive(),
  additions: z.array(z.looseObject({ step: z.int().min(0) })),
  observations: z.array(z.looseObject({ index: z.int().min(0), kit: z.int().min(0) })),
  kits: z.array(z.looseObject({ id: z.string() })),
});
const problemSchema = z.custom<CycleProblem>((value) => problemShape.safeParse(value).success);

export const requestSchema = z.object({
  ...run,
  problem: problemSchema,
  seed: z.int().min(0),
  usableKits: z.array(z.string()),
});
export type ForecastRequest = z.infer<typeof requestSchema>;

const forecastShape = z.looseObject({
  tankId: z.string(),
  at: z.number(),
  milestones: z.looseObject({}),
  stall: z.array(z.looseObject({})),
  misfit: z.boolean(),
});
const forecastSchema = z.custom<Forecast>((value) => forecastShape.safeParse(value).success);

export const answerSchema = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('progress'), ...run, share: z.number().min(0).max(1) }),
  z.object({ kind: z.literal('done'), ...run, forecast: forecastSchema }),
  z.object({ kind: z.literal('failed'), ...run, why: z.string() }),
]);
export type ForecastAnswer = z.infer<typeof answerSchema>;
