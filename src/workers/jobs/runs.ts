import { carry, foretell, infer } from '../../core/cycle/forecast';
import { playMethod } from '../../core/cycle/dosing/methods';
import { canAdd } from '../../core/livestock/add/add';
import { factsOf } from '../../core/livestock/planner/facts';
import { stockSourceSchema } from '../../core/livestock/planner/source';
import { makePlan } from '../../core/livestock/planner/plan';
import { AMMONIA_SOURCES } from '../../core/records/schema/tank';
import { EMPTY_LOG, mergeRevisions } from '../../core/records/log';
import { asksOfTanks } from '../../core/tasks/sources/asksOfTank';
import { pageDrawing } from '../../core/guide/pageDrawings';
import type { Progress } from './job';
import type { JobInput, JobName, JobOutput } from './table';

/**
 * What each job runs: pure functions of the core. Apart from the table, so that the page, which
 * only asks and reads answers, fetches none of it.
 */
export const RUNS: { [J in JobName]: (input: JobInput<J>, progress: Progress) => JobOutput<J> } = {
  infer: ({ problem, ...options }, progress) => infer(problem, { ...options, progress }),
  foretell: ({ posterior, atHand }, progress) => foretell(posterior, { atHand, progress }),
  carry: ({ posterior, load, days }) => carry(posterior, load, days),
  plan: ({ source, posterior }) => makePlan(factsOf(stockSourceSchema.parse(source)), posterior),
  add: ({ source, posterior, question }) =>
    canAdd(factsOf(stockSourceSchema.parse(source)), posterior, question),
  asks: ({ tankIds, revisions, at }) =>
    asksOfTanks(mergeRevisions(EMPTY_LOG, revisions), tankIds, at),
  draw: ({ page }) => pageDrawing(page),
  methods: ({ tank, netLitres, water, seeding }, progress) =>
    AMMONIA_SOURCES.map((source, n) => {
      progress(n / AMMONIA_SOURCES.length);
      return playMethod({ source, seeding }, tank, netLitres, water);
    }),
};
