import { sha256 } from '@noble/hashes/sha2.js';
import { bytesToHex, utf8ToBytes } from '@noble/hashes/utils.js';
import {
  createStore,
  delMany,
  get,
  getMany,
  keys,
  set,
  setMany,
  clear,
  type UseStore,
} from 'idb-keyval';
import * as z from 'zod';
import { keptSnapshots } from '../core/copies/snapshotKeeping';
import { snapshotSchema, type Snapshot } from '../core/copies/snapshots';

const LIST = 'list';
const CHUNK = 'chunk/';
const listSchema = z.array(snapshotSchema);

/** A chunk as it lies in the store: packed where the browser can. */
const chunkSchema = z.object({ packed: z.boolean(), bytes: z.instanceof(Uint8Array) });
interface Chunk {
  packed: boolean;
  bytes: Uint8Array;
}

async function through(bytes: Uint8Array, by: GenericTransformStream): Promise<Uint8Array> {
  const source = new Blob([bytes as Uint8Array<ArrayBuffer>]).stream();
  const reader = source.pipeThrough<Uint8Array>(by as ReadableWritablePair).getReader();
  const parts: Uint8Array<ArrayBuffer>[] = [];
  for (;;) {
    const { done, value } = await reader.read();
    if (done) return new Uint8Array(await new Blob(parts).arrayBuffer());
    parts.push(value as Uint8Array<ArrayBuffer>);
  }
}

async function pack(text: string): Promise<Chunk> {
  const bytes = utf8ToBytes(text);
  if (typeof CompressionStream === 'undefined') return { packed: false, bytes };
  return { packed: true, bytes: await through(bytes, new CompressionStream('gzip')) };
}

async function unpack({ packed, bytes }: Chunk): Promise<string> {
  const plain = packed ? await through(bytes, new DecompressionStream('gzip')) : bytes;
  return new TextDecoder().decode(plain);
}

/**
 * Copies of the log within this browser, in a database of their own beside it. Blocks of a log never change,
 * so each lies here once, under the hash of its text, whichever copies have it.
 */
export class SnapshotStore {
  private readonly store: UseStore;

  constructor(name = 'zoarium-copies') {
    this.store = createStore(name, 'copies');
  }

  /** The newest first. What cannot be read is none. */
  async list(): Promise<Snapshot[]> {
    const read = listSchema.safeParse(await get(LIST, this.store)).data ?? [];
    return read.sort((a, b) => b.at - a.at);
  }

  /**
   * Makes a copy of a log's blocks, unless the newest holds the same, and lets those go that are too many.
   * The list is written last: broken off anywhere, the copies of before stand.
   */
  async take(
    texts: readonly string[],
    about: Pick<Snapshot, 'id' | 'at' | 'size' | 'entries'>,
    zone: string,
  ): Promise<Snapshot[]> {
    const before = await this.list();
    const known = new Map(before.flatMap(({ chunks }) => chunks.map((one) => [one.hash, one])));
    const chunks: Snapshot['chunks'] = [];
    for (const text of texts) {
      const hash = bytesToHex(sha256(utf8ToBytes(text)));
      const there = known.get(hash);
      if (there) chunks.push(there);
      else {
        const chunk = await pack(text);
        await set(CHUNK + hash, chunk, this.store);
        chunks.push({ hash, bytes: chunk.bytes.length });
      }
    }
    chunks.sort((a, b) => (a.hash < b.hash ? -1 : 1));
    const [newest] = before;
    const same =
      newest?.chunks.map(({ hash }) => hash).join() === chunks.map(({ hash }) => hash).join();
    const all = same || chunks.length === 0 ? before : [{ ...about, chunks }, ...before];
    const kept = keptSnapshots(all, zone);
    await setMany([[LIST, kept]], this.store);
    await this.sweep(kept);
    return kept;
  }

  /** Lets go what no copy holds. */
  private async sweep(kept: readonly Snapshot[]): Promise<void> {
    const held = new Set(kept.flatMap(({ chunks }) => chunks.map(({ hash }) => CHUNK + hash)));
    const stale = (await keys<string>(this.store)).filter(
      (key) => key.startsWith(CHUNK) && !held.has(key),
    );
    await delMany(stale, this.store);
  }

  /** The texts of the blocks of a copy; null where it is gone or a part of it is damaged. */
  async texts(id: string): Promise<string[] | null> {
    const found = (await this.list()).find((one) => one.id === id);
    if (!found) return null;
    const hashes = found.chunks.map(({ hash }) => hash);
    const raw = await getMany<unknown>(
      hashes.map((hash) => CHUNK + hash),
      this.store,
    );
    const texts: string[] = [];
    for (const [i, one] of raw.entries()) {
      const chunk = chunkSchema.safeParse(one);
      const text = chunk.success ? await unpack(chunk.data).catch(() => null) : null;
      if (text === null || bytesToHex(sha256(utf8ToBytes(text))) !== hashes[i]) return null;
      texts.push(text);
    }
    return texts;
  }

  async forget(): Promise<void> {
    await clear(this.store);
  }
}
