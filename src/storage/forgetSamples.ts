import { clear, createStore } from 'idb-keyval';

/** Where what monitors measured lies, beside a log. */
export const samplesBeside = (database: string): string => `${database}-samples`;

/** Empties it, as its log is erased: the store itself is fetched only where a monitor is read. */
export async function forgetSamples(database: string): Promise<void> {
  if (typeof indexedDB !== 'undefined')
    await clear(createStore(samplesBeside(database), 'samples'));
}
