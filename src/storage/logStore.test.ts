import { createAsyncStorage, type AsyncStorage } from '@react-native-async-storage/async-storage';
import { readFileSync } from 'node:fs';
import path from 'node:path';
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
import type { Exclusive } from './locks';
import { LogStore, NewerLogError } from './logStore';

let serial = 0;
let ids = 0;
const newId = () => testId((ids += 1));

function fresh(): AsyncStorage {
  serial += 1;
  return createAsyncStorage(`test-${serial}`);
}

/** As without Web Locks: whoever wants to fold does, at once if need be. */
const unlocked: Exclusive = async (_name, work) => {
  await work();
  return true;
};

function open(database: AsyncStorage, exclusive = unlocked): LogStore {
  return new LogStore(database, 'test', { newId, exclusive });
}

/** A database of which some calls do something else, or something before. */
function altered(
  database: AsyncStorage,
  changes: Partial<Record<keyof AsyncStorage, (call: () => Promise<unknown>) => Promise<unknown>>>,
): AsyncStorage {
  return new Proxy(database, {
    get(target, property: keyof AsyncStorage) {
      const method = target[property] as (...args: unknown[]) => Promise<unknown>;
      const change = changes[property];
      return change ? (...args: unknown[]) => change(() => method.apply(target, args)) : method;
    },
  });
}

const refusing = (database: AsyncStorage) =>
  altered(database, { setMany: () => Promise.reject(new Error('')) });

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

const keysOf = async (database: AsyncStorage, prefix: string) =>
  (await database.getAllKeys()).filter((key) => key.startsWith(prefix));

async function appendAll(store: LogStore, acts: Revision[][]): Promise<void> {
  for (const act of acts) await store.append(act);
}

async function loaded(database: AsyncStorage): Promise<Revision[]> {
  return (await open(database).load()).revisions;
}

describe('the log store', () => {
  it('gives back what was appended, before and after folding', async () => {
    const database = fresh();
    const acts = someActs();
    await appendAll(open(database), acts);
    const expected = canonical(acts.flat());
    expect(await loaded(database)).toEqual(expected);
    await open(database).fold();
    expect(await keysOf(database, 'journal/')).toEqual([]);
    expect(await keysOf(database, 'chunk/')).toHaveLength(1);
    expect(await open(database).load()).toEqual({ revisions: expected, damage: [] });
  });

  it('loses nothing when killed before any single write of a fold', async () => {
    const acts = someActs();
    const expected = canonical(acts.flat());
    for (let survives = 0; survives < 3; survives += 1) {
      const database = fresh();
      await appendAll(open(database), acts);
      let writes = 0;
      const write = (call: () => Promise<unknown>) => {
        if (writes >= survives) return Promise.reject(new Error('killed'));
        writes += 1;
        return call();
      };
      await open(altered(database, { setMany: write, removeMany: write }))
        .fold()
        .catch(() => undefined);
      expect(await loaded(database)).toEqual(expected);
      await open(database).fold();
      expect(await loaded(database)).toEqual(expected);
    }
  });

  it('rejects an append that could not be stored, and keeps what was there', async () => {
    const database = fresh();
    const [first = [], second = []] = someActs();
    await open(database).append(first);
    await expect(open(refusing(database)).append(second)).rejects.toThrow();
    expect(await loaded(database)).toEqual(canonical(first));
  });

  it('keeps two writes of one record, or of one first record, apart', async () => {
    const database = fresh();
    const [tank = [], ...rest] = someActs();
    await open(database).append([...tank, ...(rest[0] ?? [])]);
    await open(database).append([...tank, ...(rest[1] ?? [])]);
    expect(await loaded(database)).toEqual(canonical([...tank, ...rest.slice(0, 2).flat()]));
  });

  it('stores what belongs to an act in the same transaction', async () => {
    const database = fresh();
    const [act = []] = someActs();
    await open(database).append(act, { 'draft/x': '' });
    expect(await database.getItem('draft/x')).toBe('');
    await expect(open(refusing(database)).append(act, { 'draft/y': '' })).rejects.toThrow();
    expect(await database.getItem('draft/y')).toBeNull();
  });

  it('cuts what is large into blocks that a browser can store', async () => {
    const database = fresh();
    const many = Array.from({ length: 4500 }, (_, n) =>
      createRecord(
        { actId: testId(1), device: 'a', recordedAt: '2026-03-02T00:00:00Z' },
        testId(n + 10),
        'kit',
        kitFrom('ammoniaCard', n),
      ),
    );
    await open(database).append(many);
    expect(await keysOf(database, 'journal/')).toHaveLength(3);
    expect(await loaded(database)).toHaveLength(4500);
  });

  it('opens with seventy journal keys on a full disk', async () => {
    const database = fresh();
    const acts = Array.from({ length: 5 }, someActs).flat().slice(0, 70);
    await appendAll(open(database), acts);
    expect((await open(refusing(database)).load()).revisions).toEqual(canonical(acts.flat()));
  });

  it('sees everything when another tab folds between the keys and the values', async () => {
    const database = fresh();
    const acts = someActs();
    await appendAll(open(database), acts);
    let folded = false;
    const racing = altered(database, {
      getMany: async (call) => {
        if (!folded) {
          folded = true;
          await open(database).fold();
        }
        return call();
      },
    });
    expect((await open(racing).load()).revisions).toEqual(canonical(acts.flat()));
  });

  it('stays erased though another tab was folding', async () => {
    const database = fresh();
    await appendAll(open(database), someActs());
    let wiped = false;
    const slow = altered(database, {
      setMany: async (call) => {
        if (!wiped) {
          wiped = true;
          await open(database).wipe();
        }
        return call();
      },
    });
    await open(slow).fold();
    expect(await loaded(database)).toEqual([]);
    // What is logged afterwards counts.
    const [act = []] = someActs();
    await open(database).append(act);
    await open(database).fold();
    expect(await loaded(database)).toEqual(canonical(act));
  });

  it('sets a corrupt block aside untouched and opens the rest', async () => {
    const database = fresh();
    const acts = someActs();
    await appendAll(open(database), acts);
    const [key = ''] = await keysOf(database, 'journal/');
    const broken = `${(await database.getItem(key))?.slice(0, 200)}`;
    await database.setItem(key, broken);
    const { damage, revisions } = await open(database).load();
    expect(damage).toEqual([{ key, asideKey: `aside/${key}`, lost: null }]);
    expect(revisions).toHaveLength(acts.length - 1);
    expect(await open(database).aside()).toEqual({ [`aside/${key}`]: broken });
    expect((await open(database).load()).damage).toEqual([]);
  });

  it('loses no acknowledged record when two tabs open a damaged block while one folds', async () => {
    const database = fresh();
    const acts = someActs();
    await appendAll(open(database), acts);
    await open(database).fold();
    const [key = ''] = await keysOf(database, 'chunk/');
    const block = JSON.parse((await database.getItem(key)) ?? '') as { records: object[] };
    block.records.push({ id: 'nonsense' });
    await database.setItem(key, JSON.stringify(block));
    const later = someActs().map(([revision]) => revision);
    const [extra] = later;
    if (!extra) throw new Error('no act');
    const own: Revision = { ...extra, id: testId(7_000_000) };
    const [one] = await Promise.all([
      open(database).load(),
      open(database).load(),
      open(database).append([own]),
      open(database).fold(),
    ]);
    expect(one?.damage[0]?.lost).toBe(1);
    expect(await loaded(database)).toEqual(canonical([...acts.flat(), own]));
    expect((await open(database).load()).damage).toEqual([]);
  });

  it('leaves a damaged block where it is when there is no room for a copy', async () => {
    const database = fresh();
    await database.setItem('journal/x', '{"version":');
    const { damage } = await open(refusing(database)).load();
    expect(damage).toEqual([{ key: 'journal/x', asideKey: 'journal/x', lost: null }]);
    expect(await database.getItem('journal/x')).toBe('{"version":');
  });

  it('does not touch a log that a newer version wrote', async () => {
    const database = fresh();
    const text = JSON.stringify({ version: 99, records: [] });
    await database.setItem('chunk/base', text);
    await expect(open(database).load()).rejects.toThrow(NewerLogError);
    expect(await database.getItem('chunk/base')).toBe(text);
  });

  it('reads the blocks of older versions, a tank’s corrections in several of them', async () => {
    const database = fresh();
    const file = JSON.parse(
      readFileSync(path.join(__dirname, '../core/records/fixtures/log-v2.json'), 'utf8'),
    ) as { records: { type: string; id: string; rev: number; body: object }[] };
    const tank = file.records.find((record) => record.type === 'tank');
    const corrected = {
      ...tank,
      rev: 2,
      parentRev: 1,
      actId: testId(900),
      body: { ...tank?.body, name: 'Renamed', lid: false },
    };
    await database.setItem('chunk/base', JSON.stringify({ version: 2, records: file.records }));
    await database.setItem('journal/old', JSON.stringify({ version: 2, records: [corrected] }));
    const before = await loaded(database);
    const lids = before.flatMap((r) =>
      r.type === 'entry' && r.body.kind === 'lid' ? [r.body.fitted] : [],
    );
    expect(lids.sort()).toEqual([false, true]);
    const filled = before.filter((r) => r.type === 'entry' && r.body.kind === 'filled');
    expect(filled).toHaveLength(1);
    await open(database).fold();
    expect(await loaded(database)).toEqual(before);
  });

  it('survives two tabs that append and fold in any order', async () => {
    await fc.assert(
      fc.asyncProperty(
        fc.array(fc.constantFrom('a', 'b', 'A', 'B'), { minLength: 4, maxLength: 12 }),
        async (script) => {
          const database = fresh();
          const tabs = { a: open(database), b: open(database) };
          const written: Revision[] = [];
          await Promise.all(
            script.map(async (step, index) => {
              const tab = step.toLowerCase() as 'a' | 'b';
              if (step !== tab) return tabs[tab].fold();
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
          expect(await loaded(database)).toEqual(canonical(written));
        },
      ),
      { numRuns: 25 },
    );
  });

  it('wipes everything', async () => {
    const database = fresh();
    await appendAll(open(database), someActs());
    await open(database).wipe();
    expect(await keysOf(database, 'journal/')).toEqual([]);
    expect(await loaded(database)).toEqual([]);
  });
});
