/**
 * The cycle's forecast: heavy, so it is imported by workers, the command line and tests, and stays
 * out of the first load of the app, which needs its types only.
 */
export { cycleProblem } from '../problem/problem';
export type { CycleProblem } from '../problem/types';
export { posteriorBytes, type Posterior } from '../inference/posterior';
export { assure, assurer } from './assurance';
export { carry, type Carried } from './course/carry';
export { DEFAULT_SEED, forecastOf, foretell } from './forecast';
export { infer } from './posterior';
export { simulate } from './course/simulate';
export * from './types';
