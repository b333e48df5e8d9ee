import { DAY_MS } from '../../time/zone';
import { listWords } from '../../units/format';
import { nitrogenOf } from '../food/bioload';
import { lengthAfter, usualCm } from '../body';
import { animalOf, type CatalogueAnimal } from '../catalogue';
import type { Lodger } from '../compatibility/types';
import { isHere, type Cohort } from './roster';

/** Where an animal is looked up by its id: the catalogue, and those of the keeper's own. */
export type Finder = (id: string) => CatalogueAnimal | undefined;

/** Looks an animal up among the keeper's own first, then in the catalogue. */
export function finderWith(own: readonly CatalogueAnimal[]): Finder {
  const byId = new Map(own.map((animal) => [animal.id, animal]));
  return (id) => byId.get(id) ?? animalOf(id);
}

/** As much of a group as says what lives there. */
export type Living = Pick<
  Cohort,
  'what' | 'species' | 'group' | 'sizeCm' | 'arrivedAt' | 'here' | 'together'
>;

export function animalIn(
  { species }: Pick<Cohort, 'species'>,
  find: Finder,
): CatalogueAnimal | undefined {
  return species === undefined ? undefined : find(species);
}

/** The length of one of a group by now, cm: as it came, grown since; 0 for what has none. */
export function lengthNow(cohort: Living, at: number, find: Finder): number {
  const animal = animalIn(cohort, find);
  if (!animal || animal.group === 'coral') return cohort.sizeCm ?? 0;
  const days = Math.max(0, (at - cohort.arrivedAt) / DAY_MS);
  return lengthAfter(animal.adultCm, cohort.sizeCm ?? usualCm(animal), days);
}

/** What a fish is taken to make that nobody described, mg N a day: half a small pair. */
const UNKNOWN_FISH = 5.5;

/** Ammonia nitrogen of those of a group that are here, by their bodies, mg a day. */
export function cohortNitrogen(cohort: Living, at: number, find: Finder): number {
  if (!isHere(cohort)) return 0;
  const number = cohort.here ?? 1;
  const animal = animalIn(cohort, find);
  if (animal) return number * nitrogenOf(animal, lengthNow(cohort, at, find));
  return cohort.group === 'fish' ? number * UNKNOWN_FISH : 0;
}

/** Who lives in a tank, as those whom a newcomer would meet; without any that nobody named. */
export function residentsOf(cohorts: readonly Living[], at: number, find: Finder): Lodger[] {
  return cohorts.flatMap((cohort) => {
    const animal = animalIn(cohort, find);
    if (!animal || !isHere(cohort)) return [];
    return [
      {
        animal,
        count: cohort.here ?? 1,
        ...(animal.group === 'coral' ? {} : { sizeCm: lengthNow(cohort, at, find) }),
        ...(cohort.together === undefined ? {} : { together: cohort.together }),
      },
    ];
  });
}

/** What lives there that nobody named: no rule can ask about it. */
export function unnamedIn(cohorts: readonly Living[], find: Finder): string[] {
  return cohorts
    .filter((cohort) => isHere(cohort) && !animalIn(cohort, find))
    .map(({ what }) => what);
}

/** What an answer leaves open because of those that nobody named; null where all are named. */
export function unnamedWords(cohorts: readonly Living[], find: Finder): string | null {
  const names = [...new Set(unnamedIn(cohorts, find))];
  if (names.length === 0) return null;
  return `Not asked about: ${listWords(names)}, since nobody said which they are. Name them on their page.`;
}
