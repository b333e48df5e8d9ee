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
    return found.slice(0, most).flatMap(({ id }) => byId.get(String(id)) ?? []);
  };
}

/** Litres and a share of the water that a text names. */
export interface ChangeAsked {
  litres: number | null;
  percent: number | null;
}

const LITRES_A_GALLON = 3.785411784;
const number = (text: string) => Number(text.replace(',', '.'));

/**
 * "12 l at 25 %", "wc 20%", "change 5 gal": the figures of a water change; null for a text without any, or
 * with a share that no change can have.
 */
export function changeAsked(text: string): ChangeAsked | null {
  const typed = plain(text.slice(0, LETTERS));
  const volume = /(\d+(?:[.,]\d+)?)\s*(l|litres?|liters?|gal|gallons?)\b/.exec(typed);
  const share = /(\d+(?:[.,]\d+)?)\s*(?:%|percent\b|per cent\b)/.exec(typed);
  const [, much = '', unit = ''] = volume ?? [];
  const litres = volume ? number(much) * (unit.startsWith('g') ? LITRES_A_GALLON : 1) : null;
  const percent = share ? number(share[1] ?? '') : null;
  if (percent !== null && (percent <= 0 || percent > 100)) return null;
  if (litres !== null && litres <= 0) return null;
  const named = /\b(wc|water ?change|change)\b/.test(typed);
  return percent !== null || (litres !== null && named) ? { litres, percent } : null;
}
