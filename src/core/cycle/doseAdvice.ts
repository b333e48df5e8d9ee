import type { TankHistory } from '../history/tankHistory';

/** What is said wherever ammonia would be advised and an animal is in the tank. */
export const NO_AMMONIA =
  'Add no ammonia while an animal is in the tank. Test ammonia and nitrite daily: what it makes is the measure.';

/** Whether an animal is in the tank, as logged or as its keeper says by calling it running. */
export function hasAnimals({ standing }: TankHistory): boolean {
  return standing.animalsSince !== null || standing.runningSince !== null;
}

/** What would settle a question: something to do, or a dose, which is not given at every time. */
export type Advice = string | { dose: string };

/** Advice that adds ammonia: never while an animal is in, nor where the verdict finds another reason. */
export function doseAdvice(history: TankHistory, advice: string): Advice {
  return hasAnimals(history) ? NO_AMMONIA : { dose: advice };
}

/**
 * Nitrite read up to here is nearly gone, mg N/L: a step above zero on most cards. Nobody is told to
 * add ammonia to more of it.
 */
export const LITTLE_NITRITE = 0.2;
