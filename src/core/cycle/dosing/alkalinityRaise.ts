import type { Reading } from '../../history/reading';
import { latestReading, type TankHistory } from '../../history/tankHistory';
import { HOUR_MS } from '../../time/zone';
import { ALKALINITY_PER_N, BICARBONATE, MEQ_PER_DKH } from '../../units/constants';
import { countOf, formatSignificant } from '../../units/format';
import { broughtBy, mixedInBy, NEW_SALT } from '../alkalinity';
import { isStale } from '../verdict/criteria/zero';

/** Alkalinity worth raising to, dKH, and the most it may rise in a day. */
export const ALKALINITY_GOAL = 8.5;
export const ALKALINITY_STEP = 1.4;
/** pH above which none is added: more of it would precipitate, and free ammonia rises with pH. */
export const HIGH_PH = 8.5;
/** Alkalinity under which raising it is asked for, dKH: as a test read it, and as it is reckoned since. */
const LOW_TESTED = 7.5;
/** A single dose from 8 dKH slows nothing, and is no reason to ask for anything. */
const LOW_RECKONED = 7;
/** Hours after a step before the next is asked for: a day, less what mornings differ by. */
const STEP_HOURS = 20;
/** Less than this is not worth a dose, dKH. */
const LEAST = 0.3;

/** What raises alkalinity to its goal. */
export interface AlkalinityRaise {
  /** dKH. */
  now: number;
  /** Whether a test says so, with the soda weighed since; else doses and new water are reckoned with. */
  tested: boolean;
  goal: number;
  /** Of baking soda in all. */
  grams: number;
  /** Days it takes in safe steps. */
  days: number;
}

/**
 * Alkalinity by a reading and by all that went in since, once the filter bacteria have cleared it, dKH; null where
 * some of it can't be weighed.
 * @param history up to the moment that is meant
 */
function alkalinitySince(reading: Reading, history: TankHistory) {
  const { dose, waterChange } = history.entries;
  const doses = dose.map((entry) => ({
    at: entry.at,
    substance: entry.entry.substance,
    brought: broughtBy(entry, history),
  }));
  const changes = waterChange.map((entry) => ({ at: entry.at, mixed: mixedInBy(entry, history) }));
  const since = [...doses, ...changes]
    .filter(({ at }) => at >= reading.at)
    .sort((a, b) => a.at - b.at);
  let tested = true;
  let now = reading.best / MEQ_PER_DKH;
  for (const step of since) {
    if ('mixed' in step) {
      const { replaced, newAlkalinity = NEW_SALT.alkalinity } = step.mixed;
      now += replaced * (newAlkalinity - now);
      tested = false;
    } else if (step.brought === null) {
      // A buffer by its label: how much it raised only a test can tell.
      if (step.substance === 'alkalinity') return null;
    } else {
      const { ammonia, alkalinity } = step.brought;
      now += alkalinity - ALKALINITY_PER_N * ammonia;
      tested &&= ammonia === 0;
    }
  }
  return { now: Math.max(0, now), tested };
}

/**
 * The sum for this tank by its newest test; null without a fresh one, where nothing is to do, after a
 * buffer that can't be weighed, and while pH was last read too high for it.
 */
export function alkalinityRaise(history: TankHistory, at: number): AlkalinityRaise | null {
  const reading = latestReading(history, 'alkalinity');
  if (!reading || isStale(reading, at)) return null;
  const ph = latestReading(history, 'ph');
  if (ph && !isStale(ph, at) && ph.best > HIGH_PH) return null;
  const since = alkalinitySince(reading, history);
  if (!since) return null;
  const { now, tested } = since;
  const rise = ALKALINITY_GOAL - now;
  if (rise < LEAST) return null;
  return {
    now,
    tested,
    goal: ALKALINITY_GOAL,
    grams: rise * BICARBONATE * history.netLitres,
    // A hair of rounding is no reason for another day.
    days: Math.ceil(rise / ALKALINITY_STEP - 1e-6),
  };
}

/**
 * The same where alkalinity is so low that the filter bacteria slow: what is asked of the keeper now. Nothing on
 * the day of a step, so that none is added twice.
 */
export function alkalinityDue(history: TankHistory, at: number): AlkalinityRaise | null {
  const last = history.entries.dose.findLast(({ entry }) => entry.substance === 'alkalinity');
  if (last && at - last.at < STEP_HOURS * HOUR_MS) return null;
  const raise = alkalinityRaise(history, at);
  return raise && raise.now < (raise.tested ? LOW_TESTED : LOW_RECKONED) ? raise : null;
}

/** "About 12 g of baking soda over 2 days": how, for a sentence; what is only reckoned is tested first. */
export function raiseWords({ grams, days, tested }: AlkalinityRaise): string {
  const how = `About ${formatSignificant(grams, 2)} g of baking soda over ${countOf(days, 'day')}`;
  return tested ? how : `${how}, reckoned from what went in since its last test: test it first`;
}
