const STORE = 'samples';

/** Where what monitors measured lies, beside a log. */
export const samplesBeside = (database: string): string => `${database}-${STORE}`;

/** Empties it, as its log is erased: what reads it is fetched only where a monitor is, and weighs more than this. */
export async function forgetSamples(database: string): Promise<void> {
  if (typeof indexedDB === 'undefined') return;
  await new Promise<void>((resolve, reject) => {
    const opening = indexedDB.open(samplesBeside(database));
    opening.onupgradeneeded = () => opening.result.createObjectStore(STORE);
    opening.onerror = () => reject(opening.error ?? new Error('It cannot be opened.'));
    opening.onsuccess = () => {
      const emptying = opening.result.transaction(STORE, 'readwrite');
      emptying.objectStore(STORE).clear();
      emptying.oncomplete = () => {
        opening.result.close();
        resolve();
      };
      emptying.onerror = () => reject(emptying.error ?? new Error('It cannot be emptied.'));
    };
  });
}
