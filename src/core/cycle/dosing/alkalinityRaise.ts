import { latestReading, type TankHistory } from '../../history/tankHistory';
import { MEQ_PER_DKH } from '../../units/constants';
import { isStale } from '../verdict/zero';

/** Alkalinity worth raising to, dKH, and the most it may rise in a day. */
export const ALKALINITY_GOAL = 8.5;
export const ALKALINITY_STEP = 1.4;
/** Grams of baking soda (NaHCO3, 84.01 g/eq) in a litre that raise alkalinity by 1 dKH. */
export const BICARBONATE = 0.03;
/** Less than this is not worth a dose, dKH. */
const LEAST = 0.3;

/** What raises alkalinity to its goal. */
export interface AlkalinityRaise {
  /** dKH. */
  now: number;
  goal: number;
  /** Of baking soda in all. */
  grams: number;
  /** Days it takes in safe steps. */
  days: number;
}

/** The sum for this tank by its newest test; null without a fresh one, or where nothing is to do. */
export function alkalinityRaise(history: TankHistory, at: number): AlkalinityRaise | null {
  const reading = latestReading(history, 'alkalinity');
  if (!reading || isStale(reading, at)) return null;
  // What was added since the test is in the water, tested or not.
  const added = history.entries.dose.reduce((sum, { at: when, entry }) => {
    const counts = entry.substance === 'alkalinity' && entry.amount.by === 'grams';
    if (!counts || when < reading.at || entry.amount.by !== 'grams') return sum;
    return sum + entry.amount.grams / history.netLitres / BICARBONATE;
  }, 0);
  const now = reading.best / MEQ_PER_DKH + added;
  const rise = ALKALINITY_GOAL - now;
  if (rise < LEAST) return null;
  return {
    now,
    goal: ALKALINITY_GOAL,
    grams: rise * BICARBONATE * history.netLitres,
    // A hair of rounding is no reason for another day.
    days: Math.ceil(rise / ALKALINITY_STEP - 1e-6),
  };
}
