import { feedNitrogen } from '../../cycle/problem/foods';
import type { FeedEntry, Portions } from '../../records/kinds/feed';
import { bodyGrams, lengthAfter, usualCm } from '../body';
import type { CatalogueAnimal } from '../catalogue';

/**
 * Ammonia nitrogen that a gram of eaten protein comes to, g: when all is eaten and solids are taken
 * out 0.092 (Timmons & Ebeling: 0.16 · 0.80 · 0.80 · 0.90), when nothing is 0.16; a display lies between.
 */
export const PROTEIN_TO_N = { low: 0.092, usual: 0.12, high: 0.16 } as const;

/** Ration of a fish of 5 g as dry food, share of its body a day; it falls with mass to the power −0.25. */
const RATION = 0.03;
const RATION_AT = 5;
const RATION_FALLS = -0.25;
const DRY_PROTEIN = 0.45;

/** A day's food as dry matter, share of body mass. */
export function rationShare(grams: number): number {
  const share = RATION * (grams / RATION_AT) ** RATION_FALLS;
  return Math.min(0.06, Math.max(0.005, share));
}

/**
 * How much of a fish's ration others of its mass come to. Grazers live of what grows in the tank and
 * only give back what it took up; corals and clams make little ammonia or none.
 */
function appetite(animal: CatalogueAnimal): number {
  if (animal.group === 'fish') return 1;
  if (animal.group === 'coral') return 0;
  switch (animal.form) {
    case 'shrimp':
    case 'crab':
      return 0.5;
    case 'hermit':
    case 'star':
      return 0.2;
    case 'anemone':
      return 0.1;
    default:
      return 0.05;
  }
}

/** Ammonia nitrogen of one animal of a length, mg a day, by its body and usual ration. */
export function nitrogenOf(animal: CatalogueAnimal, cm: number = usualCm(animal)): number {
  const grams = bodyGrams(animal, cm);
  if (grams <= 0) return 0;
  const share = appetite(animal);
  return 1000 * grams * rationShare(grams) * DRY_PROTEIN * PROTEIN_TO_N.usual * share;
}

/** The same after it grew for some days. */
export function nitrogenLater(animal: CatalogueAnimal, cm: number, days: number): number {
  if (animal.group === 'coral') return 0;
  return nitrogenOf(animal, lengthAfter(animal.adultCm, cm, days));
}

/** Ammonia nitrogen that a feeding comes to once animals eat it, mg. */
export function feedingNitrogen(
  entry: FeedEntry,
  share: number = PROTEIN_TO_N.usual,
  portions: Portions = {},
): number {
  return (feedNitrogen(entry, portions) * share) / PROTEIN_TO_N.high;
}
