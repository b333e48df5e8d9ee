import { asked } from './asked';
import type { TaskSource } from './types';

/** Chores, and what instruments and figures ask for: worked out by `rhythmAsks`, apart from the rest. */
export const rhythm: TaskSource = {
  occurrences: (world, from, until) =>
    asked.occurrences({ ...world, asks: world.daily ?? [] }, from, until),
};
