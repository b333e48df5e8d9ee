import { latestReading, type TankHistory } from '../../history/tankHistory';
import { MEQ_PER_DKH } from '../../units/constants';
import type { Forecast } from '../forecast/types';
import { ALKALINITY_GOAL, ALKALINITY_STEP } from '../forecast/whatIf';
import { challengeDose } from '../problem/schoolFacts';

/** What is done between the end of the cycle and the first fish, with the sums for this tank. */
export interface EndSteps {
  change: { litres: number; share: number; nitrateNow: number; nitrateAfter: number } | null;
  alkalinity: { now: number; goal: number; grams: number; days: number } | null;
  /** mg N/L of ammonia every so many days until there are fish. */
  feed: { rise: number; everyDays: number };
}

/** Nitrate to come down to before the first fish, mg N/L: about 10 ppm as NO3. */
const NITRATE_GOAL = 2.26;
/** The least and the most worth changing at once, as a share. */
const LEAST_CHANGE = 0.2;
const MOST_CHANGE = 0.9;
/** Grams of baking soda (NaHCO3, 84.01 g/eq) in a litre for 1 dKH. */
const BICARBONATE = 0.03;

/** The sums of the last steps; nulls where nothing needs doing or nobody measured. */
export function endSteps(history: TankHistory, forecast: Forecast | null): EndSteps {
  const { netLitres } = history;
  const read = latestReading(history, 'nitrate')?.best;
  const band = forecast?.bands.nitrate;
  const place = band && forecast ? band.at.findIndex((at) => at >= forecast.at) : -1;
  const nitrateNow = read ?? band?.p50[place];
  const alkalinity = latestReading(history, 'alkalinity');
  const now = alkalinity ? alkalinity.best / MEQ_PER_DKH : null;
  const share =
    nitrateNow === undefined || nitrateNow <= NITRATE_GOAL
      ? LEAST_CHANGE
      : Math.min(MOST_CHANGE, Math.max(LEAST_CHANGE, 1 - NITRATE_GOAL / nitrateNow));
  const rise = now === null ? 0 : ALKALINITY_GOAL - now;
  return {
    change:
      nitrateNow === undefined
        ? null
        : {
            litres: share * netLitres,
            share,
            nitrateNow,
            nitrateAfter: nitrateNow * (1 - share),
          },
    alkalinity:
      now === null || rise < 0.3
        ? null
        : {
            now,
            goal: ALKALINITY_GOAL,
            grams: rise * BICARBONATE * netLitres,
            days: Math.ceil(rise / ALKALINITY_STEP),
          },
    feed: { rise: challengeDose(history) / 2, everyDays: 2 },
  };
}
