import { countedReadings, type TankHistory } from '../history/tankHistory';
import { withUnit } from '../parameters/convert';
import { formatPlain } from '../units/format';
import { linearFromCanonical, linearToCanonical, type LinearUnit } from '../units/units';

/** The basis of the keeper's own ammonia kit, or NH4 without one. */
function ammoniaUnit(history: TankHistory): LinearUnit {
  return (countedReadings(history, 'ammonia').at(-1)?.unit ?? 'ammonia NH4') as LinearUnit;
}

/** 2 ppm on the basis of the keeper's own ammonia kit, mg N/L. */
export function challengeDose(history: TankHistory): number {
  return linearToCanonical(2, ammoniaUnit(history));
}

/** A rise of ammonia (mg N/L) as the keeper's own kit would show it: "2 ppm NH4". */
export function riseWords(history: TankHistory, rise: number): string {
  const unit = ammoniaUnit(history);
  return withUnit(formatPlain(linearFromCanonical(rise, unit), 1), unit);
}

/**
 * The dose of the one test that is left, mg N/L: 1 ppm on the basis of the keeper's own kit, many times what
 * a first small fish makes in a day; 2 ppm for a rule for done that proves that size.
 */
export function proofDose(history: TankHistory): number {
  const usual = challengeDose(history);
  return history.tank.doneRule.rule === 'challenge' ? usual : usual / 2;
}

/** The dose of the one test that is left as the keeper's own kit would show it: "1 ppm NH4". */
export function proofDoseWords(history: TankHistory): string {
  return riseWords(history, proofDose(history));
}

/** The usual dose as the keeper's own kit would show it: "2 ppm NH4". */
export function usualDoseWords(history: TankHistory): string {
  return riseWords(history, challengeDose(history));
}

/** Days after which unfed filter bacteria have dwindled enough, by about a sixth, to be worth a meal. */
export const FEED_EVERY_DAYS = 3;
