import { cycleProblem } from '@/core/cycle/problem/problem';
import { forecastOf, type ForecastOptions } from '@/core/cycle/forecast/forecast';
import type { Forecast } from '@/core/cycle/forecast/types';
import { tankHistory } from '@/core/history/derive';
import { quantileOfSorted, sortedCopy } from '@/core/math/quantile';
import { seededRandom } from '@/core/math/random';
import { DAY_MS } from '@/core/time/zone';
import { FILLED } from '../logBuilder';
import { drawHarderKeeper, drawKeeper, live, logOf, readyWithout, type Life } from './keeper';
import { drawHarderReef, drawReef, LIFE_DAYS, type HeldOutMethod } from './reef';

export const METHODS: readonly HeldOutMethod[] = ['dryRock', 'bottle', 'liveRock'];

/** The tanks and keepers that the forecast has been held to since its beginning, and wider ones. */
export type Draw = 'usual' | 'harder';

/** Synthetic keepers at synthetic tanks, methods in turn; those that never get ready are drawn anew. */
export function drawLives(count: number, seed: number, draw: Draw = 'usual'): Life[] {
  const random = seededRandom(seed);
  const lives: Life[] = [];
  while (lives.length < count) {
    const method = METHODS[lives.length % METHODS.length] ?? 'dryRock';
    const life =
      draw === 'usual'
        ? live(drawReef(method, random), drawKeeper(random), random)
        : live(drawHarderReef(method, random), drawHarderKeeper(random), random);
    if (life.readyDay > 3 && life.readyDay < LIFE_DAYS - 40) lives.push(life);
  }
  return lives;
}

/** The forecast that a keeper would have seen on a day. */
export function forecastOn(life: Life, day: number, options: ForecastOptions): Forecast {
  const builder = logOf(life, day);
  const at = FILLED + day * DAY_MS;
  return forecastOf(cycleProblem(tankHistory(builder.log(), builder.tankId, at), at), options);
}

export interface Trial {
  method: HeldOutMethod;
  share: number;
  truth: number;
  low: number;
  middle: number;
  high: number;
  /** What a rule of thumb says that knows the usual length for the method. */
  thumb: number;
  misfit: boolean;
  /** Nitrite's capacity as forecast over what it is. */
  capacityB: number;
}

const dayOf = (ms: number | null) => (ms === null ? Infinity : (ms - FILLED) / DAY_MS);

/** Asks at the same shares of every life's way. */
export const atShares = (shares: readonly number[]) => (life: Life) =>
  shares.map((share) => share * life.readyDay);

/** Asks every few days from the third on, as long as it takes: quick and slow tanks as they come. */
export const everyFewDays = (every: number) => (life: Life) => {
  const days: number[] = [];
  for (let day = 3; day < life.readyDay; day += every) days.push(day);
  return days;
};

/** What is said of a life on a day: the range of days, and nitrite's capacity, mg N/L/day. */
export type Forecaster = (
  life: Life,
  day: number,
) => Pick<Trial, 'low' | 'middle' | 'high' | 'misfit'> & { capacityB: number };

/** What the app says. */
export const byForecast =
  (options: ForecastOptions): Forecaster =>
  (life, day) => {
    const { milestones, misfit, capacity } = forecastOn(life, day, options);
    const { p10, p50, p90 } = milestones.ready;
    return {
      low: dayOf(p10),
      middle: dayOf(p50),
      high: dayOf(p90),
      misfit,
      capacityB: capacity.nitrite.p50,
    };
  };

/** Asks about each life on the days asked for, with nothing dosed afterwards. */
export function study(
  lives: readonly Life[],
  asks: (life: Life) => readonly number[],
  forecaster: Forecaster,
): Trial[] {
  const usual = new Map(
    METHODS.map((method) => [
      method,
      quantileOfSorted(
        sortedCopy(lives.filter((l) => l.reef.method === method).map((l) => l.readyDay)),
        0.5,
      ),
    ]),
  );
  return lives.flatMap((life) =>
    asks(life).map((day) => {
      const said = forecaster(life, day);
      return {
        ...said,
        method: life.reef.method,
        share: day / life.readyDay,
        truth: readyWithout(life, day),
        thumb: usual.get(life.reef.method) ?? 0,
        capacityB: said.capacityB / (life.course.capacityB[Math.round(day * 24)] ?? 0),
      };
    }),
  );
}

export interface Report {
  trials: number;
  /** Share of the truths within the 80 % interval. */
  coverage: number;
  medianError: number;
  thumbError: number;
  /** Median error over that of the rule of thumb. */
  ratio: number;
  /** The same against a rule of thumb that never names a day gone by. */
  ratioLate: number;
  misfits: number;
  /** Median days between the ends of the 80 % interval. */
  width: number;
  /** Share of the forecasts that have nitrite's capacity within a factor of 1.5. */
  capacity: number;
}

const medianOf = (values: number[]) => quantileOfSorted(sortedCopy(values), 0.5);

export function reportOf(trials: readonly Trial[]): Report {
  const error = medianOf(trials.map((t) => Math.abs(t.middle - t.truth)));
  const thumb = medianOf(trials.map((t) => Math.abs(t.thumb - t.truth)));
  const late = medianOf(
    trials.map((t) => Math.abs(Math.max(t.thumb, t.share * t.truth) - t.truth)),
  );
  return {
    trials: trials.length,
    coverage: trials.filter((t) => t.truth >= t.low && t.truth <= t.high).length / trials.length,
    medianError: error,
    thumbError: thumb,
    ratio: error / thumb,
    ratioLate: error / late,
    misfits: trials.filter((t) => t.misfit).length,
    width: medianOf(trials.map((t) => t.high - t.low)),
    capacity:
      trials.filter((t) => Math.abs(Math.log(t.capacityB)) <= Math.log(1.5)).length / trials.length,
  };
}
