import { doseNitrogen } from '../../records/kinds/dose';
import type { DoseStrength, DoseSubstance } from '../../records/kinds/dose';
import type { Food } from '../../records/kinds/feed';
import { DEFAULT_DROP_ML } from '../../units/constants';
import { foodNitrogen } from '../problem/foods';
import { PRAWN_N } from '../problem/organics';

/** Most total ammonia that a colony is ever dosed to, mg N/L: beyond it is held back. */
export const MOST_AMMONIA = 4;

/** What would have to be measured out for a rise. */
export interface DoseAmount {
  /** Of a liquid; null where it is weighed. */
  mL: number | null;
  drops: number | null;
  /** Of a salt, a food or a prawn. */
  grams: number | null;
}

/** Grams of a source that carries so many mg N in each. */
function weighed(nitrogen: number, perGram: number): DoseAmount {
  return { mL: null, drops: null, grams: nitrogen / perGram };
}

/**
 * How much of an ammonia source raises total ammonia by `rise` (mg N/L) in `netLitres`; the inverse of
 * what a logged dose is worth. Null when the strength does not say.
 * @param dropMl millilitres in one drop of this bottle
 */
export function amountForRise(
  rise: number,
  netLitres: number,
  source: {
    substance: Extract<DoseSubstance, 'ammoniumChloride' | 'householdAmmonia'>;
    strength: DoseStrength;
  },
  dropMl: number = DEFAULT_DROP_ML,
): DoseAmount | null {
  const { substance, strength } = source;
  const nitrogen = rise * netLitres;
  if (strength.by === 'pure') {
    const each = doseNitrogen(
      { substance, strength, amount: { by: 'grams', grams: 1 } },
      netLitres,
    );
    return each ? weighed(nitrogen, each) : null;
  }
  const eachDrop = doseNitrogen(
    { substance, strength, amount: { by: 'drops', drops: 1, dropMl } },
    netLitres,
  );
  if (!eachDrop) return null;
  const drops = nitrogen / eachDrop;
  return { drops, mL: drops * dropMl, grams: null };
}

/** Grams of food or prawn whose nitrogen, all of it rotted free, makes `rise` (mg N/L). */
export function organicsForRise(rise: number, netLitres: number, what: Food | 'prawn'): number {
  const perGram = what === 'prawn' ? PRAWN_N : foodNitrogen(what);
  return (rise * netLitres) / perGram;
}
