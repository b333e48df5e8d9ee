const STORE = 'entries';
const MARK = 'meta/flush';

/** Pushes what was written before it out to the disk. */
export interface Flush {
  /** @returns whether the browser said that it is on the disk */
  (): Promise<boolean>;
}

function opened(name: string): Promise<IDBDatabase> {
  return new Promise((resolve, reject) => {
    const request = indexedDB.open(name);
    request.onsuccess = () => resolve(request.result);
    request.onerror = () => reject(request.error ?? new Error('not opened'));
    request.onblocked = () => reject(new Error('blocked'));
  });
}

/**
 * A flush of one database. Transactions of the storage package are relaxed: they end when the
 * operating system has the data, and a power cut may take them. A tiny strict transaction on a
 * connection of its own, to the same database, flushes the log they share.
 * @param name the database; the package must have opened it before, since this connection makes no
 *   stores in it
 */
export function strictFlush(name: string): Flush {
  let connection: Promise<IDBDatabase> | null = null;
  const connect = () => {
    connection ??= opened(name).then((database) => {
      const forget = () => {
        connection = null;
      };
      database.onclose = forget;
      database.onversionchange = () => {
        database.close();
        forget();
      };
      return database;
    });
    return connection;
  };
  return async () => {
    try {
      const database = await connect();
      return await new Promise<boolean>((resolve) => {
        const act = database.transaction(STORE, 'readwrite', { durability: 'strict' });
        act.objectStore(STORE).put('', MARK);
        act.oncomplete = () => resolve(true);
        act.onabort = () => resolve(false);
        act.onerror = () => resolve(false);
      });
    } catch {
      connection = null;
      return false;
    }
  };
}
