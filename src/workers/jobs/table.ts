import * as z from 'zod';
import type { Carried, Forecast } from '../../core/cycle/forecast';
import type { PageDrawing } from '../../core/guide/pageDrawings';
import type { MethodOutcome } from '../../core/cycle/dosing/methods';
import type { AddAnswer } from '../../core/livestock/add/add';
import type { StockSource } from '../../core/livestock/planner/source';
import type { Plan } from '../../core/livestock/planner/types';
import { posteriorSchema, problemSchema } from '../../core/cycle/inference/posterior';
import { SEEDINGS, tankSchema } from '../../core/records/schema/tank';
import type { Revision } from '../../core/records/schema/revision';
import type { Ask } from '../../core/tasks/types';
import type { ProblemKit } from '../../core/cycle/problem/types';
import { defineJob, type JobShape } from './job';

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
/** The worker reads a source by its whole schema, which the page need not fetch for it. */
const sourceShape = z.custom<StockSource>(
  (value) =>
    z.looseObject({ tankId: z.string(), wishes: z.array(z.unknown()) }).safeParse(value).success,
);
const planShape = z.looseObject({
  items: z.array(z.looseObject({ wishId: z.string(), addOn: z.looseObject({ p50: z.number() }) })),
  refused: z.array(z.looseObject({ wishId: z.string() })),
});
const addShape = z.looseObject({ answer: z.enum(['yes', 'no', 'wait']), most: z.number() });
/** Heads of a log that was read by its whole schema when it was opened. */
const revisionShape = z.custom<Revision>(
  (value) => z.looseObject({ id: z.string(), type: z.string() }).safeParse(value).success,
);
const askShape = z.custom<Ask>(
  (value) => z.looseObject({ id: z.string(), due: z.number() }).safeParse(value).success,
);
const drawingShape = z.looseObject({ shape: z.looseObject({}), caption: z.string() });
const waterSchema = z.object({
  temperature: z.number(),
  ph: z.number(),
  salinity: z.number(),
  alkalinity: z.number(),
});

/** Every job that runs away from the screen, by what goes in and what comes out; what each runs stands in runs.ts. */
const JOBS = {
  infer: defineJob({
    input: z.object({
      problem: problemSchema,
      seed: z.int().min(0),
      /** How finely it is inferred, where that is not as usual: as `InferenceOptions`. */
      particles: z.int().min(1).max(2000).optional(),
      otherParticles: z.int().min(1).max(2000).optional(),
      members: z.int().min(1).max(2000).optional(),
    }),
    output: posteriorSchema,
    kept: true,
  }),
  foretell: defineJob({
    input: z.object({ posterior: posteriorSchema, atHand: z.array(kitShape) }),
    output: z.custom<Forecast>((value) => forecastShape.safeParse(value).success),
    kept: true,
  }),
  carry: defineJob({
    input: z.object({
      posterior: posteriorSchema,
      load: z.array(z.object({ fromDay: z.number(), nitrogen: z.number().min(0) })),
      days: z.int().min(1).max(120),
    }),
    output: z.custom<Carried>((value) => carriedShape.safeParse(value).success),
    kept: false,
  }),
  plan: defineJob({
    input: z.object({ source: sourceShape, posterior: posteriorSchema.nullable() }),
    output: z.custom<Plan>((value) => planShape.safeParse(value).success),
    kept: true,
  }),
  add: defineJob({
    input: z.object({
      source: sourceShape,
      posterior: posteriorSchema.nullable(),
      question: z.object({
        species: z.string(),
        count: z.int().min(1).max(100),
        sizeCm: z.number().positive().optional(),
      }),
    }),
    output: z.custom<AddAnswer>((value) => addShape.safeParse(value).success),
    kept: false,
  }),
  asks: defineJob({
    input: z.object({
      tankIds: z.array(z.string()),
      revisions: z.array(revisionShape),
      at: z.number(),
    }),
    output: z.record(z.string(), z.array(askShape)),
    kept: false,
  }),
  draw: defineJob({
    input: z.object({ page: z.string().max(60) }),
    output: z.custom<PageDrawing | null>(
      (value) => value === null || drawingShape.safeParse(value).success,
    ),
    kept: false,
  }),
  methods: defineJob({
    input: z.object({
      tank: tankSchema,
      netLitres: z.number().positive(),
      water: waterSchema,
      seeding: z.enum(SEEDINGS),
    }),
    output: z.custom<MethodOutcome[]>((value) => outcomesShape.safeParse(value).success),
    kept: true,
  }),
};

export type JobName = keyof typeof JOBS;
export type JobInput<J extends JobName> = z.infer<(typeof JOBS)[J]['input']>;
export type JobOutput<J extends JobName> = z.infer<(typeof JOBS)[J]['output']>;

/** The table, tied so that each name keeps its own input and output. */
export const JOB_TABLE: { [J in JobName]: JobShape<JobInput<J>, JobOutput<J>> } = JOBS;

export function isJobName(name: string): name is JobName {
  return Object.hasOwn(JOB_TABLE, name);
}
