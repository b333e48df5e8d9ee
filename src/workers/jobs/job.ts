import type * as z from 'zod';

/** Told of the share done, 0 to 1. */
export type Progress = (share: number) => void;

/** Heavy work as data that goes in and data that comes out, with a schema at both ends. */
export interface JobShape<I, O> {
  input: z.ZodType<I>;
  output: z.ZodType<O>;
  /** Whether its answer outlives the page: what takes long, and is asked just so after a reload. */
  kept: boolean;
}

export function defineJob<I, O>(shape: JobShape<I, O>): JobShape<I, O> {
  return shape;
}
