import { quantileOfSorted } from '../../../math/quantile';
import { DAY_MS } from '../../../time/zone';
import { inferEnsemble, type InferenceOptions } from '../../inference/ensemble';
import type { CycleProblem } from '../../problem/types';
import { HORIZON_DAYS, runAhead } from './ahead';
import { asAsked } from './asAsked';
import { rounded } from '../dates/dates';

/** The median of the ensemble at one moment: mg N/L, alkalinity in dKH. */
export interface SimulatedDay {
  at: number;
  ammonia: number;
  nitrite: number;
  nitrate: number;
  freeAmmonia: number;
  alkalinity: number;
}

/** The median course from now on, a row a day, with nothing more done. */
export function simulate(
  problem: CycleProblem,
  days: number,
  options: InferenceOptions,
): SimulatedDay[] {
  const inferred = inferEnsemble(problem, options);
  const { ensemble, ahead } = asAsked(
    inferred,
    runAhead(inferred, { days: Math.max(days, HORIZON_DAYS) }),
  );
  const values = new Float64Array(ensemble.members.length);
  const middle = (series: Float32Array, point: number) => {
    for (let row = 0; row < values.length; row += 1) {
      values[row] = series[row * ahead.points + point] as number;
    }
    return rounded(quantileOfSorted(values.sort(), 0.5));
  };
  return Array.from({ length: days + 1 }, (_, day) => {
    const point = day * ahead.perDay;
    return {
      at: problem.at + day * DAY_MS,
      ammonia: middle(ahead.ammonia, point),
      nitrite: middle(ahead.nitrite, point),
      nitrate: middle(ahead.nitrate, point),
      freeAmmonia: middle(ahead.free, point),
      alkalinity: middle(ahead.alkalinity, point),
    };
  });
}
