import * as z from 'zod';
import { alarm } from './alarm';
import { animals } from './animals';
import { calibration } from './calibration';
import { cost } from './cost';
import { dose } from './dose';
import { feed } from './feed';
import type { CycleEffect, EffectContext } from './effect';
import type { Kind, SubjectType, Touch, WordsContext } from './kind';
import { light } from './light';
import { cleaning, dailyCheck, sponge } from './dailyCheck';
import { media } from './media';
import { medication } from './medication';
import { note } from './note';
import { observation } from './observation';
import { organics } from './organics';
import { purified } from './purified';
import { reading } from './reading';
import { growthMeasure } from './growthMeasure';
import { saltMix } from './saltMix';
import { sighting } from './sighting';
import { closed, filled, heaterCheck, lid, running } from './standing';
import { standstill } from './standstill';
import { taskMark } from './taskMark';
import { topOff } from './topOff';
import { treatment } from './treatment';
import { waterChange } from './waterChange';
import { weighing } from './weighing';

/**
 * Every kind of fact a keeper can log. Schema, words and history follow from this table; the form of
 * each stands in the log feature, where a kind without one does not compile (decision 5).
 */
export const KINDS = {
  reading,
  dose,
  waterChange,
  topOff,
  feed,
  animals,
  observation,
  note,
  sighting,
  growthMeasure,
  light,
  organics,
  media,
  treatment,
  filled,
  running,
  lid,
  heaterCheck,
  calibration,
  saltMix,
  purified,
  weighing,
  dailyCheck,
  cleaning,
  sponge,
  standstill,
  medication,
  cost,
  closed,
  taskMark,
  alarm,
};

export type EntryKind = keyof typeof KINDS;
export type EntryOf<K extends EntryKind> = z.infer<(typeof KINDS)[K]['schema']>;
export type Entry = { [K in EntryKind]: EntryOf<K> }[EntryKind];
/** An entry of a kind without its subject and its time. */
export type EntryBody<K extends EntryKind = EntryKind> = {
  [P in K]: Omit<EntryOf<P>, 'tankId' | 'at'>;
}[K];

export function isKind(name: string): name is EntryKind {
  return Object.hasOwn(KINDS, name);
}

export const ENTRY_KINDS = Object.keys(KINDS).filter(isKind);

const schemas = Object.values(KINDS).map((kind) => kind.schema);
const [first, ...rest] = schemas;
if (!first) throw new RangeError('There are no kinds of entry.');
export const entrySchema = z.discriminatedUnion('kind', [first, ...rest]);

/** What an entry is about. */
export interface Subject {
  of: SubjectType;
  id: string;
}

/** The words of each kind, tied to the entries it is for, so that no switch names the kinds. */
const WORDS: {
  [K in EntryKind]: Pick<Kind<z.ZodType<EntryOf<K>>>, 'title' | 'line' | 'touches' | 'cycle'>;
} = KINDS;

export function subjectOf(entry: Entry): Subject {
  return { of: KINDS[entry.kind].subject, id: entry.tankId };
}

export function kindName(entry: Pick<Entry, 'kind'>): string {
  return KINDS[entry.kind].name;
}

/** Whether an entry stands in a report of its tank. */
export function isReported({ kind }: Pick<Entry, 'kind'>): boolean {
  return KINDS[kind].reported;
}

/** What entries of a kind are counted as, one and several of them. */
export function countedAs({ kind }: Pick<Entry, 'kind'>): readonly [one: string, many: string] {
  return KINDS[kind].counted;
}

function titleOf<K extends EntryKind>(kind: K, entry: EntryOf<K>): string {
  return WORDS[kind].title(entry);
}

function lineOf<K extends EntryKind>(kind: K, entry: EntryOf<K>, context: WordsContext): string {
  return WORDS[kind].line(entry, context);
}

function touchesOf<K extends EntryKind>(kind: K, entry: EntryOf<K>): readonly Touch[] {
  return WORDS[kind].touches(entry);
}

function effectOf<K extends EntryKind>(
  kind: K,
  entry: EntryOf<K>,
  context: EffectContext,
): CycleEffect {
  return WORDS[kind].cycle(entry, context);
}

/** What an entry may do to the cycle of its tank. */
export function cycleEffect(entry: Entry, context: EffectContext): CycleEffect {
  return effectOf(entry.kind, entry, context);
}

/** The entry in a word or two. */
export function entryTitle(entry: Entry): string {
  return titleOf(entry.kind, entry);
}

/** The rest of it, in a line. */
export function entryLine(entry: Entry, context: WordsContext): string {
  return lineOf(entry.kind, entry, context);
}

export function entryTouches(entry: Entry): readonly Touch[] {
  return touchesOf(entry.kind, entry);
}
