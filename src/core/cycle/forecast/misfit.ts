import type { Ensemble } from '../inference/ensemble';
import { BLUNDER_SHARE, chanceOfReading } from '../inference/reading';
import type { Observation, ProblemKit } from '../problem/types';

/** How the readings as a whole sit with what the ensemble would have foretold. */
export interface Fit {
  /** Sum of log chances against what such readings usually have, in standard deviations. */
  score: number;
  /** Ids of entries that hardly any of the tanks explains. */
  odd: string[];
}

/** Below this many standard deviations no story explains the readings. */
export const MISFIT_SCORE = -3;
/** A reading with less chance than this is odd. */
const ODD = 0.03;
/** Fewer readings than this can't be called a misfit. */
const FEWEST = 4;

/** Bounds of every step of a card, half way to its neighbours. */
function stepBounds(steps: readonly number[]): [number, number][] {
  return steps.map((step, i) => [
    i === 0 ? 0 : ((steps[i - 1] ?? step) + step) / 2,
    i === steps.length - 1 ? Infinity : (step + (steps[i + 1] ?? step)) / 2,
  ]);
}

/** Mean chance, over the ensemble, that observation `at` lies within `low` and `high`. */
function meanChance(
  ensemble: Ensemble,
  at: number,
  o: Observation,
  kit: ProblemKit,
  low: number,
  high: number,
): number {
  const count = ensemble.problem.observations.length;
  let sum = 0;
  ensemble.members.forEach((member, row) => {
    const value = ensemble.atObservations[row * count + at] as number;
    const shown =
      (value * kit.perN * (member.bias[o.kit] as number)) / o.dilution +
      (member.offset[o.kit] as number);
    sum += chanceOfReading(kit, shown, low, high, o.wider, member.spread);
  });
  return (1 - o.blunder) * (sum / ensemble.members.length) + o.blunder * BLUNDER_SHARE;
}

/**
 * Holds the readings against what the ensemble itself would expect to be read (a posterior
 * predictive check over card steps). Readings of instruments are judged by their chance alone.
 */
export function fitOf(ensemble: Ensemble): Fit {
  const { observations, kits } = ensemble.problem;
  let got = 0;
  let expected = 0;
  let variance = 0;
  const odd: string[] = [];
  observations.forEach((o, at) => {
    const kit = kits[o.kit];
    if (!kit) return;
    const chance = meanChance(ensemble, at, o, kit, o.low, o.high);
    if (chance < ODD) odd.push(o.entryId);
    if (!kit.card) return;
    const chances = stepBounds(kit.steps).map(([low, high]) =>
      meanChance(ensemble, at, o, kit, low, high),
    );
    const total = chances.reduce((a, b) => a + b, 0);
    let mean = 0;
    let square = 0;
    for (const p of chances) {
      const share = p / total;
      const log = Math.log(p);
      mean += share * log;
      square += share * log * log;
    }
    got += o.weight * Math.log(chance);
    expected += o.weight * mean;
    variance += o.weight * o.weight * Math.max(0, square - mean * mean);
  });
  const score =
    observations.length >= FEWEST && variance > 0
      ? (got - expected) / Math.sqrt(variance + 0.5)
      : 0;
  return { score, odd };
}
