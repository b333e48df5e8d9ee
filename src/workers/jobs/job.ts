import type * as z from 'zod';

/** Told of the share done, 0 to 1. */
export type Progress = (share: number) => void;

/** Heavy work as data goes in and data comes out: a pure function with a schema at both ends. */
export interface Job<I, O> {
  input: z.ZodType<I>;
  output: z.ZodType<O>;
  run: (input: I, progress: Progress) => O;
}

export function defineJob<I, O>(job: Job<I, O>): Job<I, O> {
  return job;
}
