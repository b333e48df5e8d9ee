import * as z from 'zod';
import { carry, foretell, infer, type Carried, type Forecast } from '../../core/cycle/forecast';
import { playMethod, type MethodOutcome } from '../../core/cycle/dosing/methods';
import { canAdd, type AddAnswer } from '../../core/livestock/add';
import { stockFactsSchema } from '../../core/livestock/planner/facts';
import { makePlan } from '../../core/livestock/planner/plan';
import type { Plan } from '../../core/livestock/planner/types';
import { posteriorSchema, problemSchema } from '../../core/cycle/inference/posterior';
import { AMMONIA_SOURCES, SEEDINGS, tankSchema } from '../../core/records/schema/tank';
import type { ProblemKit } from '../../core/cycle/problem/types';
import { defineJob, type Job } from './job';

/** The shape that a screen relies on, so that a damaged answer is refused and not shown. */
const forecastShape = z.looseObject({
  tankId: z.string(),
  at: z.number(),
  milestones: z.looseObject({}),
  stall: z.array(z.looseObject({})),
  misfit: z.boolean(),
});
const kitShape = z.custom<ProblemKit>(
  (value) => z.looseObject({ id: z.string(), steps: z.array(z.number()) }).safeParse(value).success,
);
const carriedShape = z.looseObject({ points: z.array(z.looseObject({ at: z.number() })) });
const outcomesShape = z.array(z.looseObject({ method: z.looseObject({}), acts: z.number() }));
const planShape = z.looseObject({
  items: z.array(z.looseObject({ wishId: z.string(), addOn: z.looseObject({ p50: z.number() }) })),
  refused: z.array(z.looseObject({ wishId: z.string() })),
});
const addShape = z.looseObject({ answer: z.enum(['yes', 'no', 'wait']), most: z.number() });
const waterSchema = z.object({
  temperature: z.number(),
  ph: z.number(),
  salinity: z.number(),
  alkalinity: z.number(),
});

/** Every job that runs away from the screen: a line here and a pure function of the core. */
const JOBS = {
  infer: defineJob({
    input: z.object({ problem: problemSchema, seed: z.int().min(0) }),
    output: posteriorSchema,
    run: ({ problem, seed }, progress) => infer(problem, { seed, progress }),
  }),
  foretell: defineJob({
    input: z.object({ posterior: posteriorSchema, atHand: z.array(kitShape) }),
    output: z.custom<Forecast>((value) => forecastShape.safeParse(value).success),
    run: ({ posterior, atHand }, progress) => foretell(posterior, { atHand, progress }),
  }),
  carry: defineJob({
    input: z.object({
      posterior: posteriorSchema,
      load: z.array(z.object({ fromDay: z.number(), nitrogen: z.number().min(0) })),
      days: z.int().min(1).max(120),
    }),
    output: z.custom<Carried>((value) => carriedShape.safeParse(value).success),
    run: ({ posterior, load, days }) => carry(posterior, load, days),
  }),
  plan: defineJob({
    input: z.object({ facts: stockFactsSchema, posterior: posteriorSchema.nullable() }),
    output: z.custom<Plan>((value) => planShape.safeParse(value).success),
    run: ({ facts, posterior }) => makePlan(facts, posterior),
  }),
  add: defineJob({
    input: z.object({
      facts: stockFactsSchema,
      posterior: posteriorSchema.nullable(),
      question: z.object({
        species: z.string(),
        count: z.int().min(1).max(100),
        sizeCm: z.number().positive().optional(),
      }),
    }),
    output: z.custom<AddAnswer>((value) => addShape.safeParse(value).success),
    run: ({ facts, posterior, question }) => canAdd(facts, posterior, question),
  }),
  methods: defineJob({
    input: z.object({
      tank: tankSchema,
      netLitres: z.number().positive(),
      water: waterSchema,
      seeding: z.enum(SEEDINGS),
    }),
    output: z.custom<MethodOutcome[]>((value) => outcomesShape.safeParse(value).success),
    run: ({ tank, netLitres, water, seeding }, progress) =>
      AMMONIA_SOURCES.map((source, n) => {
        progress(n / AMMONIA_SOURCES.length);
        return playMethod({ source, seeding }, tank, netLitres, water);
      }),
  }),
};

export type JobName = keyof typeof JOBS;
export type JobInput<J extends JobName> = z.infer<(typeof JOBS)[J]['input']>;
export type JobOutput<J extends JobName> = z.infer<(typeof JOBS)[J]['output']>;

/** The table, tied so that each name keeps its own input and output. */
export const JOB_TABLE: { [J in JobName]: Job<JobInput<J>, JobOutput<J>> } = JOBS;

export function isJobName(name: string): name is JobName {
  return Object.hasOwn(JOB_TABLE, name);
}
