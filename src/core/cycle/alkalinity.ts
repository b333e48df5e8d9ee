import { isAmmoniaSource } from '../records/kinds/dose';
import {
  riseOf,
  shareOf,
  type Dose,
  type TankHistory,
  type WaterChange,
} from '../history/tankHistory';
import { toCanonical } from '../parameters/convert';
import { BICARBONATE, MEQ_PER_DKH } from '../units/constants';

/** dKH that comes with each mg N of household ammonia or of what animals give off; ammonium chloride brings none. */
export const ALKALINE = 0.2;
/** Alkalinity that new salt water usually has, dKH, and its spread, sd of the natural log. */
export const NEW_SALT = { alkalinity: 8, sd: 0.15 } as const;

/** What an ammonia dose of unknown size is taken for: the usual 2 ppm, as N. */
const GUESSED_RISE = 1.6;

/** What a dose puts into each litre at once: ammonia, mg N, and alkalinity, dKH. */
export interface Brought {
  ammonia: number;
  alkalinity: number;
  /** Whether its size had to be guessed. */
  guessed: boolean;
}

/** What a dose of ammonia or of soda brings; null for any other, and for a buffer by its label. */
export function broughtBy(dose: Dose, history: TankHistory): Brought | null {
  const { substance, amount } = dose.entry;
  if (isAmmoniaSource(substance)) {
    const known = riseOf(dose, history);
    const ammonia = known ?? GUESSED_RISE;
    const alkalinity = substance === 'householdAmmonia' ? ALKALINE * ammonia : 0;
    return { ammonia, alkalinity, guessed: known === null };
  }
  if (substance === 'alkalinity' && amount.by === 'grams') {
    const alkalinity = amount.grams / history.netLitres / BICARBONATE;
    return { ammonia: 0, alkalinity, guessed: false };
  }
  return null;
}

/** What a water change mixes in: its share, and the new water's alkalinity in dKH where it was measured. */
export function mixedInBy(change: WaterChange, history: TankHistory) {
  const { alkalinity } = change.entry.newWater;
  return {
    replaced: shareOf(change, history),
    newAlkalinity: alkalinity
      ? toCanonical(alkalinity.value, alkalinity.unit) / MEQ_PER_DKH
      : undefined,
  };
}
