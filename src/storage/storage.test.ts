import { createAsyncStorage, type AsyncStorage } from '@react-native-async-storage/async-storage';
import fc from 'fast-check';
import {
  allRevisions,
  createRecord,
  EMPTY_LOG,
  kitFrom,
  mergeRevisions,
  type Revision,
} from '../core';
import { LogBuilder, onDay, testId } from '../testing/logBuilder';
import { DraftStore } from './drafts';
import type { Exclusive } from './locks';
import { LogStore, NewerLogError } from './logStore';

let serial = 0;

function fresh(): AsyncStorage {
  serial += 1;
  return createAsyncStorage(`test-${serial}`);
}

/** As Web Locks would: while one holds the lock, the others skip their work. */
function sharedLock(): Exclusive {
  let held = false;
  return async (_name, work) => {
    if (held) return false;
    held = true;
    try {
      await work();
    } finally {
      held = false;
    }
    return true;
  };
}

function open(database: AsyncStorage, lock = sharedLock()): LogStore {
  return new LogStore(database, 'test', lock);
}

function someActs(): Revision[][] {
  const builder = new LogBuilder();
  for (let day = 1; day < 40; day += 3) {
    builder.ammonia(onDay(day), 1);
    builder.nitrite(onDay(day), 0.5);
  }
  return builder.revisions.map((revision) => [revision]);
}

const canonical = (revisions: readonly Revision[]) =>
  allRevisions(mergeRevisions(EMPTY_LOG, revisions));

async function appendAll(store: LogStore, acts: Revision[][]): Promise<void> {
  for (const act of acts) await store.append(act);
}

describe('the log store', () => {
  it('gives back what was appended, before and after compaction', async () => {
    const database = fresh();
    const acts = someActs();
    await appendAll(open(database), acts);
    const expected = canonical(acts.flat());
    expect((await open(database).load()).revisions).toEqual(expected);
    await open(database).compact();
    const keys = await database.getAllKeys();
    expect(keys.some((key) => key.startsWith('journal/'))).toBe(false);
    expect(keys.filter((key) => key.startsWith('chunk/')).length).toBeGreaterThan(2);
    expect(await open(database).load()).toEqual({ revisions: expected, damage: [] });
  });

  it('loses nothing when killed before any single write of a compaction', async () => {
    const acts = someActs();
    const expected = canonical(acts.flat());
    for (let survives = 0; survives < 3; survives += 1) {
      const database = fresh();
      await appendAll(open(database), acts);
      let writes = 0;
      const dying: AsyncStorage = new Proxy(database, {
        get(target, property: keyof AsyncStorage) {
          const method = target[property] as (...args: unknown[]) => Promise<unknown>;
          if (property !== 'setMany' && property !== 'removeMany') return method;
          return async (...args: unknown[]) => {
            if (writes >= survives) throw new Error('killed');
            writes += 1;
            return method.apply(target, args);
          };
        },
      });
      await open(dying)
        .compact()
        .catch(() => undefined);
      expect((await open(database).load()).revisions).toEqual(expected);
      await open(database).compact();
      expect((await open(database).load()).revisions).toEqual(expected);
    }
  });

  it('rejects an append that could not be stored, and keeps what was there', async () => {
    const database = fresh();
    const [first = [], second = []] = someActs();
    await open(database).append(first);
    const full: AsyncStorage = new Proxy(database, {
      get: (target, property: keyof AsyncStorage) =>
        property === 'setMany' ? () => Promise.reject(new Error('')) : target[property],
    });
    await expect(open(full).append(second)).rejects.toThrow();
    expect((await open(database).load()).revisions).toEqual(canonical(first));
  });

  it('sets a corrupt chunk aside untouched and opens the rest', async () => {
    const database = fresh();
    const acts = someActs();
    const store = open(database);
    await appendAll(store, acts);
    await store.compact();
    const chunk = (await database.getAllKeys()).find((key) => key.includes('2026-03'));
    if (!chunk) throw new Error('no chunk of March');
    const broken = `${(await database.getItem(chunk))?.slice(0, 200)}`;
    await database.setItem(chunk, broken);
    const loaded = await open(database).load();
    expect(loaded.damage).toEqual([{ key: chunk, asideKey: `aside/${chunk}`, lost: null }]);
    expect(loaded.revisions.length).toBeGreaterThan(2);
    expect(loaded.revisions.length).toBeLessThan(acts.length);
    expect(await open(database).aside()).toEqual({ [`aside/${chunk}`]: broken });
    expect((await open(database).load()).damage).toEqual([]);
  });

  it('keeps the good records of a chunk that has a bad one', async () => {
    const database = fresh();
    const acts = someActs();
    const store = open(database);
    await appendAll(store, acts);
    await store.compact();
    const text = (await database.getItem('chunk/base')) ?? '';
    const block = JSON.parse(text) as { version: number; records: object[] };
    block.records.push({ id: 'nonsense' });
    await database.setItem('chunk/base', JSON.stringify(block));
    const loaded = await open(database).load();
    expect(loaded.damage[0]?.lost).toBe(1);
    expect(loaded.revisions).toEqual(canonical(acts.flat()));
  });

  it('does not touch a log that a newer version wrote', async () => {
    const database = fresh();
    const text = JSON.stringify({ version: 99, records: [] });
    await database.setItem('chunk/base', text);
    await expect(open(database).load()).rejects.toThrow(NewerLogError);
    expect(await database.getItem('chunk/base')).toBe(text);
  });

  it('survives two tabs that append and compact in any order', async () => {
    await fc.assert(
      fc.asyncProperty(
        fc.array(fc.constantFrom('a', 'b', 'A', 'B'), { minLength: 4, maxLength: 12 }),
        async (script) => {
          const database = fresh();
          const lock = sharedLock();
          const tabs = { a: open(database, lock), b: open(database, lock) };
          const written: Revision[] = [];
          await Promise.all(
            script.map(async (step, index) => {
              const tab = step.toLowerCase() as 'a' | 'b';
              if (step !== tab) return tabs[tab].compact();
              const revision = createRecord(
                {
                  actId: testId(index + 500),
                  device: tab,
                  recordedAt: '2026-03-02T00:00:00Z',
                },
                testId(index + 100),
                'kit',
                kitFrom('ammoniaCard', index),
              );
              written.push(revision);
              return tabs[tab].append([revision]);
            }),
          );
          expect((await open(database).load()).revisions).toEqual(canonical(written));
        },
      ),
      { numRuns: 25 },
    );
  });

  it('wipes everything', async () => {
    const database = fresh();
    await appendAll(open(database), someActs());
    await open(database).wipe();
    expect(await database.getAllKeys()).toEqual([]);
  });
});

describe('drafts', () => {
  it('come back after a reload, until they are emptied', async () => {
    const database = fresh();
    await new DraftStore(database).save('test', { ph: '8.' });
    expect(await new DraftStore(database).load()).toEqual({ test: { ph: '8.' } });
    await new DraftStore(database).save('test', null);
    expect(await new DraftStore(database).load()).toEqual({});
  });

  it('that are damaged are let go', async () => {
    const database = fresh();
    await database.setItem('draft/test', '{"ph":');
    expect(await new DraftStore(database).load()).toEqual({});
  });
});
