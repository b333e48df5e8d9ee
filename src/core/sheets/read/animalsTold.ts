import { CATALOGUE, type CatalogueAnimal } from '../../livestock/catalogue';
import { animalsCalled } from '../../livestock/search';
import type { AnimalGroup } from '../../records/kinds/animals';
import { capitalise } from '../../units/format';

/** Animals that a note says came in or died. */
export interface AnimalsTold {
  move: 'in' | 'died';
  count: number;
  /** What they are called: by the catalogue where it knows which they are, else as it was written. */
  what: string;
  group: AnimalGroup;
  species: string | null;
}

const WORDS = ['no', 'one', 'two', 'three', 'four', 'five', 'six', 'seven', 'eight', 'nine', 'ten'];
/** More than this at once is a figure of something else. */
const MOST = 200;
/** Letters of a word from which on it may be the beginning of a longer one: "clown", "gramma". */
const ENOUGH = 4;

const COUNT = String.raw`(?:(\d{1,3}|an?|${WORDS.slice(1).join('|')})\s*[x×]?\s+)?`;
const CAME = new RegExp(
  String.raw`^(?:\+\s*|(?:added|add|new|got|introduced|put in)\s+)${COUNT}(.+)$`,
  'i',
);
const DIED = new RegExp(
  String.raw`^(?:(?:lost|found dead:?)\s+${COUNT}(.+)|${COUNT}(.+?)\s+(?:died|dead|was found dead|passed away))$`,
  'i',
);

function countOf(text: string | undefined): number {
  if (text === undefined || /^an?$/i.test(text)) return 1;
  const word = WORDS.indexOf(text.toLowerCase());
  return word > 0 ? word : Number(text);
}

/** The animals that a word may stand for: by name, else by the beginning of a name. */
function meant(text: string): readonly CatalogueAnimal[] {
  const named = animalsCalled(text);
  if (named.length > 0) return named;
  const word = text.trim().toLowerCase().replace(/s$/, '');
  if (word.length < ENOUGH || /[^a-z]/.test(word)) return [];
  return CATALOGUE.filter(({ names }) =>
    names.some((name) =>
      name
        .toLowerCase()
        .split(/[^a-z]+/)
        .some((own) => own.startsWith(word)),
    ),
  );
}

function toldIn(phrase: string): AnimalsTold[] {
  const came = CAME.exec(phrase);
  const died = came ? null : DIED.exec(phrase);
  const [number, name] = came
    ? [came[1], came[2]]
    : died
      ? [died[1] ?? died[3], died[2] ?? died[4]]
      : [undefined, undefined];
  if (name === undefined) return [];
  const count = countOf(number);
  const found = meant(name);
  const [first] = found;
  // Of several that differ in kind nobody can say which group they belong to.
  if (
    !first ||
    !(count >= 1 && count <= MOST) ||
    found.some(({ group }) => group !== first.group)
  ) {
    return [];
  }
  const [only] = found.length === 1 ? [first] : [];
  return [
    {
      move: came ? 'in' : 'died',
      count,
      what: only
        ? (only.names[0] ?? only.scientific)
        : capitalise(name.trim().replace(/[.!]+$/, '')),
      group: first.group,
      species: only?.id ?? null,
    },
  ];
}

/**
 * The animals that a note tells of: "+2 clowns", "added a royal gramma and 3 cerith snails", "lost one chromis". What no
 * animal of the catalogue is called is not told of: "+2 dKH" is none.
 */
export function animalsTold(text: string): AnimalsTold[] {
  const phrases = text.split(/[;,.!]|\band\b|&|(?=\s\+\s*\d)/i).map((one) => one.trim());
  let verb = '';
  return phrases.flatMap((phrase) => {
    if (phrase === '') return [];
    const own = toldIn(phrase);
    // "added a gramma and 3 snails": the second has the verb of the first.
    const told = own.length === 0 && verb !== '' ? toldIn(`${verb}${phrase}`) : own;
    verb =
      told.length === 0
        ? ''
        : (/^(\+\s*|added |add |new |got |introduced |put in |lost )/i.exec(phrase)?.[0] ?? verb);
    return told;
  });
}
