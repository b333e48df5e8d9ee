import { countedReadings, shareOf, type TankHistory } from '../../history/tankHistory';
import { allBut, only, perList, placesOf } from '../../history/perList';
import type { Reading } from '../../history/reading';
import type { ParameterId } from '../../parameters/registry';
import { HOUR_MS } from '../../time/zone';

/** A binder holds ammonia about this long; its label knows better, and is not logged. */
export const BINDER_HOURS = 48;

/** Readings that may serve as evidence: possible, and made with reagents within their date. */
export function evidence(history: TankHistory, parameter: ParameterId): readonly Reading[] {
  return unexpired(countedReadings(history, parameter));
}

/** Of those the ones that are well above the kit's zero. */
export function evidenceAbove(history: TankHistory, parameter: ParameterId): readonly Reading[] {
  return clearlyAbove(evidence(history, parameter));
}

const unexpired = allBut((reading: Reading) => reading.expired);
/** Of a list of readings those well above the kit's zero. */
export const clearlyAbove = only((reading: Reading) => reading.clearlyAbove);

/** The places of the readings above their kit's zero. */
export const placesAboveZero = placesOf((reading: Reading) => reading.zero === false);

/** When a list of readings last had one above its kit's zero, ms; −Infinity where it never had. */
export function lastAboveZero(all: readonly Reading[]): number {
  return all[placesAboveZero(all).at(-1) ?? -1]?.at ?? -Infinity;
}

/**
 * The first zero after the last reading above zero: where the parameter cleared, if it did.
 * @param isZero what counts as one
 */
export function zeroAfterLastAbove(
  all: readonly Reading[],
  isZero: (reading: Reading) => boolean = (reading) => reading.zero === true,
): Reading | null {
  for (let at = (placesAboveZero(all).at(-1) ?? -1) + 1; at < all.length; at += 1) {
    const reading = all[at];
    if (reading && isZero(reading)) return reading;
  }
  return null;
}

/** Share of the water left unchanged between two moments, 0 to 1. */
export function undiluted(history: TankHistory, from: number, to: number): number {
  return history.entries.waterChange
    .filter((change) => change.at > from && change.at <= to)
    .reduce((share, change) => share * (1 - shareOf(change, history)), 1);
}

/** Of the doses of a tank those of a binder: few, and asked for beside each of thousands of readings. */
const binders = perList((doses: readonly TankHistory['entries']['dose'][number][]) =>
  doses.filter(({ entry }) => entry.substance === 'ammoniaBinder'),
);

/** Until when a binder that is in the water may hold ammonia, ms; null where none is. */
export function boundUntil(history: TankHistory, at: number): number | null {
  const last = binders(history.entries.dose).findLast((dose) => dose.at <= at);
  const until = last ? last.at + BINDER_HOURS * HOUR_MS : -Infinity;
  return until > at ? until : null;
}

/** Whether a reading of ammonia was made while a binder may have held it. */
export function isBound(history: TankHistory, reading: Reading): boolean {
  return (
    reading.parameter === 'ammonia' &&
    binders(history.entries.dose).some(
      ({ at }) => at <= reading.at && reading.at - at < BINDER_HOURS * HOUR_MS,
    )
  );
}

/** A zero that shows a zero: within the kit's reach and date, and not held there by a binder. */
export function isTrustedZero(history: TankHistory, reading: Reading): boolean {
  return reading.zero === true && !reading.expired && !isBound(history, reading);
}
