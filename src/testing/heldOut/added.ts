import { carry } from '@/core/cycle/forecast/course/carry';
import { infer, type InferOptions } from '@/core/cycle/forecast/posterior';
import { cycleProblem } from '@/core/cycle/problem/problem';
import { tankHistory } from '@/core/history/derive';
import { normalsFrom } from '@/core/math/normal';
import { seededRandom } from '@/core/math/random';
import { freeAmmoniaFraction } from '@/core/seawater/ammonia';
import { DAY_MS } from '@/core/time/zone';
import { FILLED } from '../logBuilder';
import { logOf, type Life } from './keeper';
import { runReef, type Reef, type TrueCourse } from './reef';

/** What a tank's animals did to it, against what was foretold when they were added. */
export interface AddedTrial {
  /** mg N/L a day as it was reckoned. */
  load: number;
  /** Highest free ammonia of the three weeks, mg NH3-N/L. */
  truth: number;
  p50: number;
  p90: number;
}

/** Scatter of what animals give off about what is reckoned, sd of the log, beside the error of volume. */
const APPETITE_SD = 0.25;
const FOLLOWED_DAYS = 21;

function truePeak(reef: Reef, course: TrueCourse, from: number): number {
  let top = 0;
  for (
    let hour = Math.round(from * 24);
    hour <= Math.round((from + FOLLOWED_DAYS) * 24);
    hour += 1
  ) {
    const warm = reef.temperature[hour] ?? 25;
    const ph = reef.ph + reef.phSwing * Math.sin((2 * Math.PI * hour) / 24);
    top = Math.max(top, (course.ammonia[hour] ?? 0) * freeAmmoniaFraction(ph, warm, 35));
  }
  return top;
}

/**
 * Adds animals to synthetic tanks some days after they are clear, from a little to what strains
 * them, and compares the true peak of free ammonia with the one that was foretold.
 */
export function addedStudy(
  lives: readonly Life[],
  seed: number,
  options: InferOptions,
): AddedTrial[] {
  const random = seededRandom(seed);
  const normal = normalsFrom(random);
  return lives.map((life) => {
    const day = Math.ceil(life.readyDay + 1 + 6 * random());
    const load = 0.02 * Math.exp(random() * Math.log(25));
    const builder = logOf(life, day);
    const moment = FILLED + day * DAY_MS;
    const problem = cycleProblem(tankHistory(builder.log(), builder.tankId, moment), moment);
    const { peakFree } = carry(
      infer(problem, options),
      [{ fromDay: 0, nitrogen: load }],
      FOLLOWED_DAYS,
    );
    const given = load * life.reef.doseError * Math.exp(APPETITE_SD * normal());
    const course = runReef(
      life.reef,
      life.doses.filter((dose) => dose.day <= day),
      [{ day, what: 'load', nitrogen: given, days: FOLLOWED_DAYS + 1 }],
    );
    return { load, truth: truePeak(life.reef, course, day), ...peakFree };
  });
}

/** Share of the trials whose true peak lay under a quantile. */
export function heldShare(trials: readonly AddedTrial[], quantile: 'p50' | 'p90'): number {
  return trials.filter((trial) => trial.truth <= trial[quantile]).length / trials.length;
}
