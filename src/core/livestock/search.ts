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

/** Changes of letters between two texts (Levenshtein). */
function distance(a: string, b: string): number {
  let row = Array.from({ length: b.length + 1 }, (_, i) => i);
  for (let i = 1; i <= a.length; i += 1) {
    const next = [i];
    for (let k = 1; k <= b.length; k += 1) {
      next.push(
        Math.min(
          (next[k - 1] as number) + 1,
          (row[k] as number) + 1,
          (row[k - 1] as number) + (a[i - 1] === b[k - 1] ? 0 : 1),
        ),
      );
    }
    row = next;
  }
  return row[b.length] as number;
}

/** The animal that a text names in full, by id, a name or its scientific name, of whatever case. */
export function animalNamed(
  text: string,
  among: readonly CatalogueAnimal[] = CATALOGUE,
): CatalogueAnimal | undefined {
  const wanted = text.trim().toLowerCase();
  return among.find(
    ({ id, names, scientific }) =>
      id === wanted ||
      scientific.toLowerCase() === wanted ||
      names.some((name) => name.toLowerCase() === wanted),
  );
}

/** The names nearest to a text, the nearest first: what somebody may have meant. */
export function nearestNames(text: string, most = 3): string[] {
  const wanted = text.trim().toLowerCase();
  const found = findAnimals(text).slice(0, most);
  const rest = CATALOGUE.filter((animal) => !found.includes(animal))
    .map((animal) => ({
      animal,
      far: Math.min(
        ...[...animal.names, animal.scientific].map((name) => distance(wanted, name.toLowerCase())),
      ),
    }))
    .sort((a, b) => a.far - b.far)
    .map(({ animal }) => animal);
  return [...found, ...rest].slice(0, most).map(({ names, scientific }) => names[0] ?? scientific);
}
