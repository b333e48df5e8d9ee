import { gather, inferEnsemble, type Ensemble, type InferenceOptions } from '../inference/ensemble';
import { packEnsemble, unpackFits, type Posterior } from '../inference/posterior';
import type { CycleProblem } from '../problem/types';
import { fitOf, MISFIT_SCORE } from './misfit';

/** Smaller numbers are for benches and tests that run many. */
export type InferOptions = Pick<
  InferenceOptions,
  'seed' | 'particles' | 'otherParticles' | 'members' | 'progress'
>;

/** Weight left to the readings when no story explains them. */
const STEP_BACK = 0.25;

/** Infers a tank from its readings. Where no story explains them, they are asked again with less weight. */
export function infer(problem: CycleProblem, options: InferOptions): Posterior {
  const { progress, ...rest } = options;
  const sample = (trust: number, from: number, to: number) =>
    inferEnsemble(problem, {
      ...rest,
      trust,
      progress: (share) => progress?.(from + (to - from) * share),
    });
  const trusting = sample(1, 0, 0.9);
  const misfit = fitOf(trusting).score < MISFIT_SCORE;
  return {
    problem,
    seed: options.seed,
    trusting: packEnsemble(trusting),
    steppedBack: misfit ? packEnsemble(sample(STEP_BACK, 0.9, 1)) : null,
  };
}

/** The ensemble that a posterior holds, with its courses run through the past again. */
export function ensembleOf(
  { problem, trusting, steppedBack }: Posterior,
  which: 'trusting' | 'steppedBack',
): Ensemble {
  const pack = which === 'steppedBack' ? (steppedBack ?? trusting) : trusting;
  return gather(problem, unpackFits(problem, pack), pack.count);
}
