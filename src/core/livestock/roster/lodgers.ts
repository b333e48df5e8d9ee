import { DAY_MS } from '../../time/zone';
import { listWords } from '../../units/format';
import { nitrogenOf } from '../food/bioload';
import { lengthAfter, usualCm } from '../body';
import { animalOf, type CatalogueAnimal } from '../catalogue';
import type { Lodger } from '../compatibility/types';
import { isHere, type Lot } from './roster';

/** Where an animal is looked up by its id: the catalogue, and those of the keeper's own. */
export type Finder = (id: string) => CatalogueAnimal | undefined;

/** Looks an animal up among the keeper's own first, then in the catalogue. */
export function finderWith(own: readonly CatalogueAnimal[]): Finder {
  const byId = new Map(own.map((animal) => [animal.id, animal]));
  return (id) => byId.get(id) ?? animalOf(id);
}

/** As much of a lot as says what lives there. */
export type Living = Pick<
  Lot,
  'what' | 'species' | 'group' | 'sizeCm' | 'arrivedAt' | 'here' | 'together'
>;

export function animalIn(
  { species }: Pick<Lot, 'species'>,
  find: Finder,
): CatalogueAnimal | undefined {
  return species === undefined ? undefined : find(species);
}

/** The length of one of a lot by now, cm: as it came, grown since; 0 for what has none. */
export function lengthNow(lot: Living, at: number, find: Finder): number {
  const animal = animalIn(lot, find);
  if (!animal || animal.group === 'coral') return lot.sizeCm ?? 0;
  const days = Math.max(0, (at - lot.arrivedAt) / DAY_MS);
  return lengthAfter(animal.adultCm, lot.sizeCm ?? usualCm(animal), days);
}

/** What a fish is taken to make that nobody described, mg N a day: half a small pair. */
const UNKNOWN_FISH = 5.5;

/** Ammonia nitrogen of those of a lot that are here, by their bodies, mg a day. */
export function lotNitrogen(lot: Living, at: number, find: Finder): number {
  if (!isHere(lot)) return 0;
  const number = lot.here ?? 1;
  const animal = animalIn(lot, find);
  if (animal) return number * nitrogenOf(animal, lengthNow(lot, at, find));
  return lot.group === 'fish' ? number * UNKNOWN_FISH : 0;
}

/** Who lives in a tank, as those whom a newcomer would meet; without any that nobody named. */
export function residentsOf(lots: readonly Living[], at: number, find: Finder): Lodger[] {
  return lots.flatMap((lot) => {
    const animal = animalIn(lot, find);
    if (!animal || !isHere(lot)) return [];
    return [
      {
        animal,
        count: lot.here ?? 1,
        ...(animal.group === 'coral' ? {} : { sizeCm: lengthNow(lot, at, find) }),
        ...(lot.together === undefined ? {} : { together: lot.together }),
      },
    ];
  });
}

/** What lives there that nobody named: no rule can ask about it. */
export function unnamedIn(lots: readonly Living[], find: Finder): string[] {
  return lots.filter((lot) => isHere(lot) && !animalIn(lot, find)).map(({ what }) => what);
}

/** What an answer leaves open because of those that nobody named; null where all are named. */
export function unnamedWords(lots: readonly Living[], find: Finder): string | null {
  const names = [...new Set(unnamedIn(lots, find))];
  if (names.length === 0) return null;
  return `Not asked about: ${listWords(names)}, since nobody said which they are. Name them on their page.`;
}
