import type { Reading } from '../history/reading';
import { countedReadings, nearestReading, type TankHistory } from '../history/tankHistory';
import type { Interval } from '../math/interval';
import type { Kit } from '../records/schema/kit';
import { freeAmmoniaFraction, UNKNOWN_PH } from '../seawater/ammonia';
import { DAY_MS } from '../time/zone';

/** Days within which the keeper's own test has to agree with a probe, before its word counts. */
export const AGREES_DAYS = 14;
/** What a pH that was measured may be off by, and the readings of it that still tell of an hour. */
const PH = { off: 0.1, within: DAY_MS };
/** What is taken where nobody measured, °C and ppt: free ammonia hardly minds. */
const WATER = { temperature: 25.5, salinity: 35, within: 7 * DAY_MS };

/**
 * Whether the keeper tested the tank's own water: a shop's was hours on the way, and what a probe measured by night
 * cannot speak for itself. A pen or a colorimeter that tells its figure is the keeper's own.
 */
export const isOwnTest = (reading: Reading, kit: Kit | undefined): boolean =>
  kit?.readBy !== 'shop' && reading.entry.spread === undefined;

/** The share of ammonia that is free at a moment, as far as pH is known. */
export function freeShareAt(history: TankHistory, at: number): Interval {
  const near = (parameter: 'ph' | 'temperature' | 'salinity', within: number) =>
    nearestReading(countedReadings(history, parameter), at, within)?.best;
  const ph = near('ph', PH.within);
  const range = ph === undefined ? UNKNOWN_PH : { low: ph - PH.off, high: ph + PH.off };
  const temperature = near('temperature', WATER.within) ?? WATER.temperature;
  const salinity = near('salinity', WATER.within) ?? WATER.salinity;
  return {
    low: freeAmmoniaFraction(range.low, temperature, salinity),
    high: freeAmmoniaFraction(range.high, temperature, salinity),
  };
}

/** The middle of a share: what is known of it is a factor either way. */
export const middleShare = ({ low, high }: Interval): number => Math.sqrt(low * high);

/** The keeper's own tests of ammonia that say whether there is any, oldest first. */
export const ownAmmoniaTests = (history: TankHistory): readonly Reading[] =>
  countedReadings(history, 'ammonia').filter(
    (reading) =>
      isOwnTest(reading, history.kits[reading.kitId]) && !reading.expired && reading.zero !== null,
  );
