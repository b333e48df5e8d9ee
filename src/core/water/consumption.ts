import { countedReadings, type TankHistory } from '../history/tankHistory';
import type { Interval } from '../math/interval';
import { substanceMoves } from '../records/kinds/dose';
import { quantileOfSorted, sortedCopy } from '../math/quantile';
import { DAY_MS } from '../time/zone';
import { MEQ_PER_DKH } from '../units/constants';
import { broughtBy } from '../cycle/alkalinity';

/** What a tank uses of a mineral. */
export interface Consumption {
  /** Canonical unit a day; below zero where it rises by itself. */
  perDay: number;
  /** The middle half of the pairs of readings it is from. */
  range: Interval;
  pairs: number;
}

/** Pairs of readings from further back say little of what grows now. */
const PAIRS = 8;
const LEAST_PAIRS = 2;
const LEAST_DAYS = 1;
const MOST_DAYS = 21;

/** Rise of alkalinity by what was dosed within a time, meq/L; null where a dose cannot be weighed. */
function dosed(history: TankHistory, from: number, to: number): number | null {
  let rise = 0;
  for (const dose of history.entries.dose) {
    if (dose.at <= from || dose.at > to) continue;
    const { substance } = dose.entry;
    // Of two-part and kalk nothing here says how much alkalinity is in them.
    if (substance === 'twoPart' || substance === 'kalk') return null;
    if (substance !== 'alkalinity') continue;
    const brought = broughtBy(dose, history);
    if (!brought) return null;
    rise += brought.alkalinity * MEQ_PER_DKH;
  }
  return rise;
}

/**
 * What the tank uses of alkalinity or calcium in a day: the fall between two readings and what was
 * added meanwhile, over the pairs of them between which no water was changed; the median of the last
 * eight. Readings nearer than a day say more of the kit.
 */
export function consumptionOf(
  history: TankHistory,
  parameter: 'alkalinity' | 'calcium',
): Consumption | null {
  const readings = countedReadings(history, parameter);
  const rates: number[] = [];
  for (let i = readings.length - 1; i > 0 && rates.length < PAIRS; i -= 1) {
    const after = readings[i];
    const before = readings[i - 1];
    if (!after || !before) continue;
    const days = (after.at - before.at) / DAY_MS;
    if (days < LEAST_DAYS || days > MOST_DAYS) continue;
    const within = ({ at }: { at: number }) => at > before.at && at <= after.at;
    if (history.entries.waterChange.some(within)) continue;
    // What was added of calcium is not known by its grams: a salt is not named in the log.
    if (
      parameter === 'calcium' &&
      history.entries.dose.some(
        (dose) =>
          within(dose) &&
          (dose.entry.substance === 'other' || substanceMoves(dose.entry.substance, 'calcium')),
      )
    ) {
      continue;
    }
    const added = parameter === 'alkalinity' ? dosed(history, before.at, after.at) : 0;
    if (added === null) continue;
    rates.push((before.best - after.best + added) / days);
  }
  if (rates.length < LEAST_PAIRS) return null;
  const sorted = sortedCopy(rates);
  return {
    perDay: quantileOfSorted(sorted, 0.5),
    range: { low: quantileOfSorted(sorted, 0.25), high: quantileOfSorted(sorted, 0.75) },
    pairs: rates.length,
  };
}
