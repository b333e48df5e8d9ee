import { toCanonical } from '../parameters/convert';
import type { DoseEntry, DoseStrength, DoseSubstance } from '../records/schema/entry';
import { DEFAULT_DROP_ML, MOLAR_MASS } from '../units/constants';
import { linearToCanonical } from '../units/units';

/** Substances that add ammonia for the colony to clear. */
export function isAmmoniaSource(substance: DoseSubstance): boolean {
  return substance === 'ammoniumChloride' || substance === 'householdAmmonia';
}

/** mg of N in one gram of the source's active compound. */
function nitrogenPerGram(substance: DoseSubstance): number {
  const molar = substance === 'householdAmmonia' ? MOLAR_MASS.NH3 : MOLAR_MASS.NH4Cl;
  return (1000 * MOLAR_MASS.N) / molar;
}

function millilitres(amount: DoseEntry['amount']): number | null {
  if (amount.by === 'mL') return amount.mL;
  if (amount.by === 'drops') return amount.drops * amount.dropMl;
  return null;
}

function nitrogenByLabel(
  amount: DoseEntry['amount'],
  label: Extract<DoseStrength, { by: 'label' }>,
): number | null {
  const dropMl = amount.by === 'drops' ? amount.dropMl : DEFAULT_DROP_ML;
  const mL = millilitres(amount);
  if (mL === null) return null;
  const given = label.unit === 'mL' ? mL : amount.by === 'drops' ? amount.drops : mL / dropMl;
  const perUnit = (linearToCanonical(label.gives, label.basis) * label.litres) / label.amount;
  return given * perUnit;
}

/**
 * Nitrogen that a dose of an ammonia source carries, mg N; null when amount and strength do not
 * say. A solution's percentage is grams in 100 mL of ammonium chloride, or of NH3 for household
 * ammonia.
 */
export function doseNitrogen(
  dose: Pick<DoseEntry, 'substance' | 'amount' | 'strength'>,
  netLitres: number,
): number | null {
  if (!isAmmoniaSource(dose.substance)) return null;
  const { amount, strength } = dose;
  if (amount.by === 'target') {
    return toCanonical(amount.rise.value, amount.rise.unit) * netLitres;
  }
  if (!strength) return null;
  switch (strength.by) {
    case 'label':
      return nitrogenByLabel(amount, strength);
    case 'percent': {
      const mL = millilitres(amount);
      return mL === null ? null : (mL * strength.percent * nitrogenPerGram(dose.substance)) / 100;
    }
    case 'pure':
      return amount.by === 'grams' ? amount.grams * nitrogenPerGram(dose.substance) : null;
  }
}

/** Rise of total ammonia that a dose makes in the tank, mg N/L; null when it cannot be known. */
export function doseRise(
  dose: Pick<DoseEntry, 'substance' | 'amount' | 'strength'>,
  netLitres: number,
): number | null {
  const nitrogen = doseNitrogen(dose, netLitres);
  return nitrogen === null ? null : nitrogen / netLitres;
}
