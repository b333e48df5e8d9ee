import type { Forecast } from './types';

/** Share of the tanks between two of the dates of `readyBy`. */
const STEP = 0.05;

/**
 * Chance that a tank is ready by a moment, 0 to 1, straight between the dates of `readyBy`. Under a
 * twentieth and over nineteen is all that can be told beyond its ends: 0 and 1 stand for those.
 */
export function chanceReadyBy({ readyBy }: Pick<Forecast, 'readyBy'>, by: number): number {
  const passed = readyBy.filter((at) => at !== null && at <= by).length;
  if (passed === 0) return 0;
  if (passed === readyBy.length) return 1;
  const from = readyBy[passed - 1] ?? by;
  const to = readyBy[passed];
  const part = to === null || to === undefined || to === from ? 0 : (by - from) / (to - from);
  return STEP * (passed + part);
}
