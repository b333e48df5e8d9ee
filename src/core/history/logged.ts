import type { Entry, EntryKind, EntryOf } from '../records/kinds';

/** An entry with its id and its moment. */
export interface Logged<E = Entry> {
  id: string;
  at: number;
  entry: E;
}

/** Every entry of a tank by its kind, each list in order of time. */
export type TankEntries = { [K in EntryKind]: Logged<EntryOf<K>>[] };
