import MiniSearch from 'minisearch';

/** Something that can be found: what it is called, and what else people call it. */
export interface Findable {
  /** Told apart by this among all. */
  id: string;
  title: string;
  note?: string;
  /** Other words for it: short forms, what the hobby says, what one sees when one needs it. */
  also?: string;
  /** How much sooner it comes than others with the same words; 1 unless it says so. */
  weight?: number;
}

/** Letters of a text that are looked at: more than any name has, so that a pasted page costs no more. */
const LETTERS = 80;

/** Small letters, without marks. */
const plain = (text: string) => text.toLowerCase().normalize('NFD').replace(/\p{M}/gu, '');

/** Words that say nothing about what is sought. */
const SILENT: ReadonlySet<string> = new Set(
  'a an and are at can do does for have how i in is it my of on or the to what when where why with'.split(
    ' ',
  ),
);

const wordsOf = (text: string) =>
  plain(text)
    .replace(/[’']/g, '')
    .split(/[^\p{L}\p{N}]+/u)
    .filter(Boolean);

/**
 * Finds rows by what somebody types: a letter in five may be wrong, the last word may be unfinished. All of
 * its words where a row has them, else those with most of them; the likeliest first.
 */
export function searchIn<T extends Findable>(
  rows: readonly T[],
): (text: string, most: number) => T[] {
  const byId = new Map(rows.map((row) => [row.id, row]));
  const index = new MiniSearch<T>({
    fields: ['title', 'also', 'note'],
    tokenize: (text) => wordsOf(text).filter((word) => !SILENT.has(word)),
    processTerm: (term) => term,
    searchOptions: {
      boost: { title: 3, also: 2 },
      boostDocument: (id) => byId.get(String(id))?.weight ?? 1,
      prefix: (_term, place, terms) => place === terms.length - 1,
      // Short forms are right or something else: KH is not NH.
      fuzzy: (term) => (term.length < 4 ? false : 0.2),
    },
  });
  index.addAll(rows);
  return (text, most) => {
    const typed = text.slice(0, LETTERS);
    const all = index.search(typed, { combineWith: 'AND' });
    const found = all.length > 0 ? all : index.search(typed);
    const words = wordsOf(typed);
    // Who types the name of a thing wants the thing, before what only speaks of it.
    const named = ({ title }: T) => words.every((word, i) => wordsOf(title)[i] === word);
    const likely = found.flatMap(({ id }) => byId.get(String(id)) ?? []);
    return [...likely.filter(named), ...likely.filter((row) => !named(row))].slice(0, most);
  };
}
