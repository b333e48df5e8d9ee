import MiniSearch from 'minisearch';
import { CATALOGUE, type CatalogueAnimal } from './catalogue';

const index = new MiniSearch<{
  id: string;
  names: string;
  scientific: string;
  also: string;
  more: string;
}>({
  fields: ['names', 'scientific', 'also', 'more'],
  searchOptions: {
    boost: { names: 3, scientific: 2, also: 0.5 },
    // A letter in four may be wrong: names are spelt by ear.
    fuzzy: 0.25,
    prefix: true,
    combineWith: 'AND',
  },
});
index.addAll(
  CATALOGUE.map(({ id, names, scientific, also = [], family, group, form }) => ({
    id,
    names: names.map(plainWords).join(' '),
    scientific,
    also: also.map(plainWords).join(' '),
    more: `${family} ${group} ${form}`,
  })),
);

/** Letters of a text that are looked at: more than any name has, so that a pasted page costs no more. */
const LETTERS = 80;

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
  // One that is named in full comes before those that merely sound like it.
  const named = animalsCalled(text).map(({ id }) => id);
  const rest = index.search(plainWords(text.slice(0, LETTERS))).map(({ id }) => String(id));
  const order = new Map([...new Set([...named, ...rest])].map((id, place) => [id, place]));
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

/** The word for one of what a word names several of: "gobies", "wrasses", "clownfish". */
function singular(word: string): string {
  if (/ies$/.test(word)) return `${word.slice(0, -3)}y`;
  if (/(ss|us|is)$/.test(word)) return word;
  if (/(sh|ch|x)es$/.test(word)) return word.slice(0, -2);
  return word.replace(/s$/, '');
}

/** A name as it is compared: small letters, without hyphens and marks, each word for one of it. */
function plainWords(text: string): string {
  return text
    .toLowerCase()
    .replace(/['’]s?\b/g, '')
    .replace(/[^\p{L}\p{N}]+/gu, ' ')
    .trim()
    .split(' ')
    .map(singular)
    .join(' ')
    .replace(/\bfishe?\b$/, 'fish')
    .replace(/\bsix line\b/, 'sixline')
    .replace(/\bstar ?fish\b/, 'star');
}

/**
 * The animals that a text names: by id, a name or the scientific one, however it is written; else by a name
 * that shops or older books have for it, which several may share; else those with all of its words in a name.
 */
export function animalsCalled(
  text: string,
  among: readonly CatalogueAnimal[] = CATALOGUE,
): CatalogueAnimal[] {
  const wanted = plainWords(text);
  if (wanted === '') return [];
  const is = (name: string) => plainWords(name) === wanted;
  const proper = among.filter(
    ({ id, names, scientific }) => is(id) || is(scientific) || names.some(is),
  );
  const shared = among.filter(({ also = [] }) => also.some(is));
  if (proper.length > 0 && shared.length === 0) return proper;
  if (shared.length > 0) return among.filter((one) => proper.includes(one) || shared.includes(one));
  const words = wanted.split(' ');
  return among.filter(({ names, also = [] }) =>
    [...names, ...also].some((name) => {
      const own = plainWords(name).split(' ');
      return words.every((word) => own.includes(word));
    }),
  );
}

/** The names nearest to a text, the nearest first: what somebody may have meant. */
export function nearestNames(text: string, most = 3): string[] {
  const wanted = text.trim().slice(0, LETTERS).toLowerCase();
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
