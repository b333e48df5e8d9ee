import { wordsContext, type TankHistory } from '../history/tankHistory';
import type { Act } from '../records/acts';
import type { Log } from '../records/log';
import { countedAs, entryLine, entryTitle, kindName, type Entry } from '../records/kinds';
import type { WordsContext } from '../records/kinds/kind';
import type { Revision } from '../records/schema/revision';
import { instant } from '../time/zone';
import { dateWords } from '../time/words';
import { capitalise, countOf, listWords } from '../units/format';
import { unreachable } from '../unreachable';

/** Entries of one act that are told one by one; of one moment, as a test session is, some more. */
const TOLD = 5;
const TOLD_AT_ONCE = 10;

type Noted = Exclude<Revision, { type: 'entry' }>;

/** What a record is called that is no entry. */
function noun(revision: Noted): string {
  switch (revision.type) {
    case 'tank':
      return `tank ${revision.body.name}`;
    case 'kit':
      return revision.body.name;
    case 'settings':
      return 'settings';
    case 'wish':
      return 'a wish';
    case 'position':
      return `the place of ${revision.body.what}`;
    case 'species':
      return `animal ${revision.body.names[0] ?? revision.body.scientific}`;
    case 'protocol':
      return `the protocol ${revision.body.name}`;
    case 'medicine':
      return `the label of ${revision.body.name}`;
    case 'chore':
      return `the chore ${revision.body.name}`;
    case 'absence':
      return 'days away';
    case 'connection':
      return `the connection to ${revision.body.name}`;
    case 'batch':
      return 'a quarantine batch';
    case 'run':
      // By its id, taken apart: the procedures themselves are not fetched for a list of acts.
      return `${revision.body.procedure.replace(/[A-Z]/g, (letter) => ` ${letter.toLowerCase()}`)} run`;
    default:
      return unreachable(revision);
  }
}

/** An entry within its kind: "Nitrate 5 ppm NO3", "Firefish well", "20 % of the net water". */
function within(entry: Entry, context: WordsContext): string {
  const [title, line] = [entryTitle(entry), entryLine(entry, context)];
  const named = title.toLowerCase() === kindName(entry).toLowerCase();
  return named ? line : [title, line].filter((part) => part !== '').join(' ');
}

/** Entries of one kind: "Daily check: Firefish well, Tailspot blenny not eating". */
function ofKind(entries: readonly Entry[], contextOf: (tankId: string) => WordsContext): string {
  const [first] = entries as [Entry];
  const most = entries.every(({ at }) => at === first.at) ? TOLD_AT_ONCE : TOLD;
  if (entries.length > most) return capitalise(spanOf(entries, contextOf(first.tankId).zone));
  const words = entries.map((entry, i) => {
    const word = within(entry, contextOf(entry.tankId));
    return entry.kind === 'reading' && i > 0 ? lowered(word) : word;
  });
  const line = [...new Set(words)].filter((part) => part !== '').join(', ');
  // A test is known by what it tested, all others by what they are.
  if (first.kind === 'reading') return line;
  const kind = capitalise(kindName(first));
  return line === '' ? kind : `${kind}: ${line}`;
}

/** Many entries of one kind, with the days that they are of: "214 tests from 4 Mar 2025 to 20 May 2026". */
function spanOf(entries: readonly Entry[], zone: string): string {
  const [first] = entries as [Entry];
  const moments = entries.map(({ at }) => instant(at)).sort((a, b) => a - b);
  const day = (at: number | undefined) => (at === undefined ? '' : dateWords(at, zone));
  const [from, until] = [day(moments[0]), day(moments.at(-1))];
  const count = countOf(entries.length, ...countedAs(first));
  return from === until ? `${count} of ${from}` : `${count} from ${from} to ${until}`;
}

function verbOf(revisions: readonly Revision[]): string {
  const [first] = revisions;
  if (first?.deleted) return 'Took away ';
  if (first && first.rev > 1) return first.type === 'entry' ? 'Corrected ' : 'Changed ';
  return first?.type === 'entry' ? '' : 'Added ';
}

const lowered = (text: string): string =>
  // A chemical sign and pH keep their letters.
  /^[A-Z][a-z]/.test(text) ? text.charAt(0).toLowerCase() + text.slice(1) : text;

/**
 * What an act did, so that whoever did it knows it again: "Ammonia 0.25 ppm NH4, nitrite 1 ppm NO2",
 * "Daily check: Firefish well", "Corrected nitrate 5 ppm NO3", "Added tank Kittiwake".
 * @param contextOf what the words of a tank's entries need
 */
export function actWords(
  { revisions }: Pick<Act, 'revisions'>,
  contextOf: (tankId: string) => WordsContext,
): string {
  if (revisions.length === 0) return 'Nothing';
  const verb = verbOf(revisions);
  const entries = revisions.flatMap((one) => (one.type === 'entry' ? [one.body] : []));
  const others = revisions.flatMap((one) => (one.type === 'entry' ? [] : [one]));
  const kinds = [...new Set(entries.map(({ kind }) => kind))];
  const parts = kinds.map((kind) =>
    ofKind(
      entries.filter((entry) => entry.kind === kind),
      contextOf,
    ),
  );
  const nouns = [...new Set(others.map(noun))];
  // What came along with entries, a kit or a run, is no news beside them.
  if (parts.length > 0) return said(verb, parts.join('; '));
  if (nouns.length > TOLD) return said(verb, countOf(others.length, 'record'));
  return said(verb, listWords(nouns));
}

const said = (verb: string, words: string): string =>
  verb === '' ? capitalise(words) : `${verb}${lowered(words)}`;

/** Tells acts in words; each once, since a list of years is searched by them at every letter. */
export type ActTeller = (act: Pick<Act, 'revisions'>) => string;

/**
 * A teller of the acts of a log.
 * @param historyOf the history of a tank; null for one that is gone
 */
export function actTeller(log: Log, historyOf: (tankId: string) => TankHistory | null): ActTeller {
  const contexts = new Map<string, WordsContext>();
  const told = new WeakMap<readonly Revision[], string>();
  const contextOf = (tankId: string): WordsContext => {
    const known = contexts.get(tankId);
    if (known) return known;
    const history = historyOf(tankId);
    const context = history
      ? wordsContext(history)
      : { netLitres: null, zone: 'UTC', kitOf: (id: string) => log.everyKit[id] };
    contexts.set(tankId, context);
    return context;
  };
  return ({ revisions }) => {
    const known = told.get(revisions);
    if (known !== undefined) return known;
    const words = actWords({ revisions }, contextOf);
    told.set(revisions, words);
    return words;
  };
}
