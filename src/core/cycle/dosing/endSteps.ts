import { SALT_YIELD } from '../../units/constants';
import type { TankHistory } from '../../history/tankHistory';
import { trustedNitrate } from '../verdict/criteria/chain';
import { toCanonical } from '../../parameters/convert';
import type { Forecast } from '../forecast/types';
import { challengeDose, FEED_EVERY_DAYS } from '../doseSize';
import { alkalinityRaise, type AlkalinityRaise } from './alkalinityRaise';

/** Sizes of the last water change that keepers practise; the default comes down to the goal. */
export const END_CHANGES = ['toGoal', 'all', 'half', 'none'] as const;
export type EndChange = (typeof END_CHANGES)[number];

/** One way to end a cycle, with its sums. */
export interface ChangeSum {
  litres: number;
  share: number;
  /** mg N/L; null where nobody measured and nothing foretells it. */
  nitrateAfter: number | null;
  /** Of salt for the new water at 35 ppt. */
  saltGrams: number;
}

/** What is done between the end of the cycle and the first fish, with the sums for this tank. */
export interface EndSteps {
  /** mg N/L. */
  nitrateNow: number | null;
  changes: Record<EndChange, ChangeSum>;
  alkalinity: AlkalinityRaise | null;
  /** mg N/L of ammonia every so many days until there are fish. */
  feed: { rise: number; everyDays: number };
}

/** Nitrate to come down to before the first fish: 10 ppm as NO3, in mg N/L. */
const NITRATE_GOAL = toCanonical(10, 'nitrate NO3');
/** The least worth changing at once, and all that a pump gets out, as shares. */
const LEAST_CHANGE = 0.2;
const ALL = 0.95;

/** The sums of the last steps. */
export function endSteps(history: TankHistory, forecast: Forecast | null, at: number): EndSteps {
  const { netLitres } = history;
  const band = forecast?.bands.nitrate;
  const place = band && forecast ? band.at.findIndex((moment) => moment >= forecast.at) : -1;
  // A kit that nitrite spoilt, or past its date, sizes no change of water.
  const nitrateNow = trustedNitrate(history).at(-1)?.best ?? band?.p50[place] ?? null;
  const toGoal =
    nitrateNow === null || nitrateNow <= NITRATE_GOAL
      ? LEAST_CHANGE
      : Math.min(ALL, Math.max(LEAST_CHANGE, 1 - NITRATE_GOAL / nitrateNow));
  const sum = (share: number): ChangeSum => ({
    litres: share * netLitres,
    share,
    nitrateAfter: nitrateNow === null ? null : nitrateNow * (1 - share),
    saltGrams: share * netLitres * SALT_YIELD,
  });
  return {
    nitrateNow,
    changes: { toGoal: sum(toGoal), all: sum(ALL), half: sum(0.5), none: sum(0) },
    alkalinity: alkalinityRaise(history, at),
    feed: { rise: challengeDose(history) / 2, everyDays: FEED_EVERY_DAYS },
  };
}
