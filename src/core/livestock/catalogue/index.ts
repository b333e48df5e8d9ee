import * as z from 'zod';
import corals from './corals.json';
import fish from './fish.json';
import invertebrates from './invertebrates.json';
import partners from './partners.json';
import { animalSchema, type CatalogueAnimal } from './schema';

/** Every animal there is, by the files beside this one; a wrong row does not pass the tests. */
export const CATALOGUE: readonly CatalogueAnimal[] = z
  .array(animalSchema)
  .parse([...fish, ...invertebrates, ...corals]);

const BY_ID = new Map(CATALOGUE.map((animal) => [animal.id, animal]));

export function animalOf(id: string): CatalogueAnimal | undefined {
  return BY_ID.get(id);
}

/** Those that an animal lives with as partners, each way round. */
export function partnersOf(id: string): CatalogueAnimal[] {
  return partners.flatMap(([a, b]) => {
    const other = a === id ? b : b === id ? a : undefined;
    const found = other === undefined ? undefined : animalOf(other);
    return found ? [found] : [];
  });
}

/**
 * Partners that are wished for as one: a goby and the shrimp that digs for it, each way round. An anemone is
 * no such partner of its clownfish, since it comes months later.
 */
export function comesWith(animal: CatalogueAnimal): CatalogueAnimal[] {
  const digs = ({ family }: CatalogueAnimal) => family === 'Alpheidae';
  const watches = ({ family }: CatalogueAnimal) => family === 'Gobiidae';
  return partnersOf(animal.id).filter(
    (other) => (digs(animal) && watches(other)) || (watches(animal) && digs(other)),
  );
}

/** The pairs of partners as the file has them. */
export const PARTNERS: readonly (readonly string[])[] = partners;

export type { CatalogueAnimal } from './schema';
