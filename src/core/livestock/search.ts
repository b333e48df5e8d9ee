import MiniSearch from 'minisearch';
import { CATALOGUE, type CatalogueAnimal } from './catalogue';

const index = new MiniSearch<{ id: string; names: string; scientific: string; more: string }>({
  fields: ['names', 'scientific', 'more'],
  searchOptions: {
    boost: { names: 3, scientific: 2 },
    // A letter in four may be wrong: names are spelt by ear.
    fuzzy: 0.25,
    prefix: true,
    combineWith: 'AND',
  },
});
index.addAll(
  CATALOGUE.map(({ id, names, scientific, family, group, form }) => ({
    id,
    names: names.join(' '),
    scientific,
    more: `${family} ${group} ${form}`,
  })),
);

/** Animals that a text may mean, the likeliest first; all of them, by name, for none. */
export function findAnimals(
  text: string,
  group: CatalogueAnimal['group'] | 'all' = 'all',
): CatalogueAnimal[] {
  const wanted = (animal: CatalogueAnimal) => group === 'all' || animal.group === group;
  if (text.trim() === '') {
    return CATALOGUE.filter(wanted).sort((a, b) =>
      (a.names[0] ?? '').localeCompare(b.names[0] ?? ''),
    );
  }
  const order = new Map(index.search(text).map(({ id }, place) => [String(id), place]));
  return CATALOGUE.filter((animal) => wanted(animal) && order.has(animal.id)).sort(
    (a, b) => (order.get(a.id) ?? 0) - (order.get(b.id) ?? 0),
  );
}
