import { LogBuilder, onDay } from '../testing/logBuilder';
import type { Revision } from '../core/records/schema/revision';
import { inBlocks, writeBlock } from './block';
import { SnapshotStore } from './snapshotStore';
import { createStore, del, get, keys, set } from 'idb-keyval';

let databases = 0;
const open = () => {
  databases += 1;
  const name = `copies-${databases}`;
  return { store: new SnapshotStore(name), raw: createStore(name, 'copies') };
};
const builder = new LogBuilder();
for (let n = 0; n < 30; n += 1)
  builder.entry(onDay(n), { kind: 'note', text: `Note ${n} `.repeat(20) });
const records: readonly Revision[] = builder.revisions;
const blocks = (count: number): string[] =>
  Array.from({ length: count }, (_, i) => writeBlock(records.slice(i * 4, i * 4 + 4)));
const about = (n: number) => ({ id: `copy ${n}`, at: onDay(n), size: n, entries: n });

describe('copies within the browser', () => {
  it('give back what they were made of, and share the blocks that did not change', async () => {
    const { store, raw } = open();
    await store.take(blocks(3), about(1), 'UTC');
    const copies = await store.take(blocks(5), about(2), 'UTC');
    expect(copies.map(({ id }) => id)).toEqual(['copy 2', 'copy 1']);
    expect((await store.texts('copy 1'))?.sort()).toEqual(blocks(3).sort());
    expect((await store.texts('copy 2'))?.sort()).toEqual(blocks(5).sort());
    expect((await keys<string>(raw)).filter((key) => key.startsWith('chunk/'))).toHaveLength(5);
    // Packed, where the platform can.
    const all = blocks(5).reduce((sum, text) => sum + text.length, 0);
    const held = (copies[0]?.chunks ?? []).reduce((sum, { bytes }) => sum + bytes, 0);
    expect(held).toBeLessThan(all / 2);
  });

  it('are not made twice of the same, and let go what no copy holds', async () => {
    const { store, raw } = open();
    await store.take(blocks(2), about(1), 'UTC');
    expect(await store.take(blocks(2), about(2), 'UTC')).toHaveLength(1);
    expect(await store.take([], about(3), 'UTC')).toHaveLength(1);
    for (let day = 4; day < 60; day += 1) {
      await store.take(
        [...blocks(1), writeBlock(records.slice(0, 1 + (day % 25)))],
        about(day),
        'UTC',
      );
    }
    const copies = await store.list();
    const chunks = new Set(copies.flatMap((one) => one.chunks.map(({ hash }) => hash)));
    expect((await keys<string>(raw)).filter((key) => key.startsWith('chunk/'))).toHaveLength(
      chunks.size,
    );
    for (const { id } of copies) expect(await store.texts(id)).not.toBeNull();
  });

  it('that are damaged are told, and the others stand', async () => {
    const { store, raw } = open();
    await store.take(blocks(1), about(1), 'UTC');
    const [, second] = [await store.list(), await store.take(blocks(2), about(2), 'UTC')];
    const own = second[0]?.chunks.find(
      ({ hash }) => !second[1]?.chunks.some((one) => one.hash === hash),
    );
    const key = `chunk/${own?.hash}`;
    const chunk = await get<{ packed: boolean; bytes: Uint8Array }>(key, raw);
    if (!chunk) throw new Error('no chunk');
    await set(key, { ...chunk, bytes: chunk.bytes.slice(0, 20) }, raw);
    expect(await store.texts('copy 2')).toBeNull();
    expect(await store.texts('copy 1')).toEqual(blocks(1));
    await del(key, raw);
    expect(await store.texts('copy 2')).toBeNull();
    await set('list', 'damaged', raw);
    expect(await store.list()).toEqual([]);
    await store.forget();
    expect(await keys(raw)).toEqual([]);
  });

  it('hold a log of many blocks', async () => {
    const { store } = open();
    const many = inBlocks(records).map(writeBlock);
    await store.take(many, about(1), 'Pacific/Auckland');
    expect(await store.texts('copy 1')).toEqual(many);
  });
});
