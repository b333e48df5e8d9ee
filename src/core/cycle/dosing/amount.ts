import type { TankHistory } from '../../history/tankHistory';
import { doseNitrogen, isAmmoniaSource } from '../../records/kinds/dose';
import type { DoseStrength, DoseSubstance } from '../../records/kinds/dose';
import type { Food } from '../../records/kinds/feed';
import { DEFAULT_DROP_ML } from '../../units/constants';
import { countOf, formatSignificant } from '../../units/format';
import { foodNitrogen } from '../problem/foods';
import { PRAWN_N } from '../problem/organics';

/** Most total ammonia that filter bacteria are ever dosed to, mg N/L: beyond it is held back. */
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

/** Fewer drops than this cannot be counted well: half a drop either way is a quarter of the dose. */
const FEW_DROPS = 2;
/** More than this are measured rather than counted. */
const MANY_DROPS = 60;

/** Drops as they can be counted: few of a strong bottle are counted from a dilution, many are measured. */
function dropWords(drops: number, dropMl: number): string {
  if (drops < FEW_DROPS) {
    return `${countOf(Math.round(10 * drops), 'drop')} of your bottle diluted to ten times its volume`;
  }
  const counted = countOf(Math.round(drops), 'drop');
  return drops <= MANY_DROPS ? counted : `${counted} or ${formatSignificant(drops * dropMl, 2)} mL`;
}

/**
 * A rise of ammonia in what the keeper measured out last: "14 drops", "0.7 mL", "0.2 g"; null where no dose
 * with a strength is on record.
 */
export function ownDoseWords(history: TankHistory, rise: number): string | null {
  const last = history.entries.dose.findLast(
    ({ entry }) => isAmmoniaSource(entry.substance) && entry.strength !== null,
  );
  if (!last?.entry.strength) return null;
  const { substance, strength, amount } = last.entry;
  if (substance !== 'ammoniumChloride' && substance !== 'householdAmmonia') return null;
  const dropMl = amount.by === 'drops' ? amount.dropMl : DEFAULT_DROP_ML;
  const measured = amountForRise(rise, history.netLitres, { substance, strength }, dropMl);
  if (!measured) return null;
  if (measured.grams !== null) return `${formatSignificant(measured.grams, 2)} g`;
  if (amount.by === 'drops' && measured.drops !== null) return dropWords(measured.drops, dropMl);
  return measured.mL === null ? null : `${formatSignificant(measured.mL, 2)} mL`;
}

/** Grams of food or prawn whose nitrogen, all of it rotted free, makes `rise` (mg N/L). */
export function organicsForRise(rise: number, netLitres: number, what: Food | 'prawn'): number {
  const perGram = what === 'prawn' ? PRAWN_N : foodNitrogen(what);
  return (rise * netLitres) / perGram;
}
