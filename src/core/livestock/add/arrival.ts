import type { EntryOf } from '../../records/kinds';
import { isoInZone } from '../../time/zone';
import { bodyGrams, usualCm } from '../body';
import type { CatalogueAnimal } from '../catalogue';
import type { Place } from '../roster/moving';

/** Less than this nobody weighs, g. */
const LEAST_GRAMS = 0.05;

/** The entry of newcomers as they are usually bought: their length and what they weigh together. */
export function arrivalEntry(
  animal: CatalogueAnimal,
  count: number,
  { tankId, zone }: Place,
  at: number,
): EntryOf<'animals'> {
  const cm = usualCm(animal);
  const grams = cm > 0 ? bodyGrams(animal, cm) * count : 0;
  return {
    kind: 'animals',
    tankId,
    at: isoInZone(at, zone),
    move: 'in',
    group: animal.group,
    what: animal.names[0] ?? animal.scientific,
    species: animal.id,
    count,
    ...(cm > 0 ? { sizeCm: cm } : {}),
    ...(grams > LEAST_GRAMS ? { grams: Math.round(grams * 10) / 10 } : {}),
  };
}
