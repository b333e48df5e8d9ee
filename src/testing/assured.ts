import type { Assurance } from '../core/cycle/verdict/assurance';

/** A forecast that nothing speaks against, for tests of what the evidence alone decides. */
export const ASSURED: Assurance = {
  stays: 1,
  carries: 1,
  carriesUntil: null,
  repeats: 1,
  repeatsUntil: null,
  suspect: null,
};
