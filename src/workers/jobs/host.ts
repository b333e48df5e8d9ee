import * as z from 'zod';
import type { Progress } from './job';
import { requestSchema, type Answer } from './messages';
import { RUNS } from './runs';
import { isJobName, JOB_TABLE, type JobName, type JobOutput } from './table';

// Without eval, which the content policy forbids, Zod's own compiler would only report violations.
z.config({ jitless: true });

/** The least share of the way that is worth a message. */
const WORTH_TELLING = 0.05;

/**
 * Runs a job on an input that has been parsed with its schema.
 * @throws ZodError when the input is none
 */
export function runJob<J extends JobName>(
  name: J,
  input: unknown,
  progress: Progress = () => undefined,
): JobOutput<J> {
  return RUNS[name](JOB_TABLE[name].input.parse(input), progress);
}

/** Answers one request, in one go: a worker at work cannot hear that it is no longer wanted. */
export function answerRequest(data: unknown, answer: (message: Answer) => void): void {
  const request = requestSchema.safeParse(data);
  if (!request.success) return;
  const { runId, job, input } = request.data;
  let told = 0;
  const progress = (share: number) => {
    if (share - told < WORTH_TELLING) return;
    told = share;
    answer({ kind: 'progress', runId, share: Math.min(1, share) });
  };
  try {
    if (!isJobName(job)) throw new RangeError(`There is no job called ${job}.`);
    answer({ kind: 'done', runId, output: runJob(job, input, progress) });
  } catch (error) {
    answer({ kind: 'failed', runId, why: String(error) });
  }
}
