import type { EntryKind } from './records/kinds';

/** Where something is done: what a task or a step of a procedure leads to. */
export type Place =
  /** The form of a kind of entry, or one of its other starts, begun with what is known. */
  | { form: EntryKind | 'bacteria'; given?: Readonly<Record<string, string>> }
  | { screen: 'challenge' | 'dose' }
  /** A sum of the Bench, by its id. */
  | { sum: 'alkalinity' };
