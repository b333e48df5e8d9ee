import type { AsyncStorage } from '@react-native-async-storage/async-storage';
import { EMPTY_LOG, allRevisions, mergeRevisions } from '../core/records/log';
import type { Revision } from '../core/records/schema/revision';
import { readBlock, writeBlock } from './block';
import { ASIDE, CHUNK, chunkKey, JOURNAL, journalKey } from './keys';
import { webExclusive, type Exclusive } from './locks';

/** A stored block that was damaged: what could be read was kept, the original lies aside untouched. */
export interface Damage {
  key: string;
  asideKey: string;
  /** Records that could not be read; null when it can't be known. */
  lost: number | null;
}

export interface LoadedLog {
  revisions: Revision[];
  damage: Damage[];
}

/** The database was written by a newer Zoarium. Nothing in it was touched. */
export class NewerLogError extends Error {}

/** Journal keys beyond which a load or an append folds them into chunks. */
const COMPACT_ABOVE = 60;

/**
 * The log in a browser database. Appending is one transaction on one new key; chunks are only
 * rewritten by compaction, which never loses a revision if it is killed half way, because the
 * journal goes last and merging the same revisions twice changes nothing.
 */
export class LogStore {
  private serial = 0;
  private appended = 0;

  constructor(
    private readonly database: AsyncStorage,
    private readonly name: string,
    private readonly exclusive: Exclusive = webExclusive,
  ) {}

  /** Everything that can be read. Damaged blocks are set aside and named. */
  async load(): Promise<LoadedLog> {
    const keys = (await this.database.getAllKeys()).filter(isBlockKey);
    const texts = await this.database.getMany(keys);
    const damage: Damage[] = [];
    let log = EMPTY_LOG;
    const journal = keys.filter((key) => key.startsWith(JOURNAL)).length;
    for (const key of keys) {
      const text = texts[key];
      if (text === null || text === undefined) continue;
      const block = readBlock(text);
      if (block.kind === 'newer') {
        throw new NewerLogError(`The log has format ${block.version}.`);
      }
      log = mergeRevisions(log, block.records);
      if (block.kind === 'damaged') {
        damage.push(await this.setAside(key, text, block.records, block.lost));
      }
    }
    if (journal > COMPACT_ABOVE) await this.compact();
    return { revisions: allRevisions(log), damage };
  }

  /** Resolves once the revisions are durable; rejects, with nothing written, when they can't be. */
  async append(revisions: readonly Revision[]): Promise<void> {
    const first = revisions[0];
    if (!first) return;
    this.serial += 1;
    const key = `${journalKey(first, this.serial)}`;
    await this.database.setMany({ [key]: writeBlock(revisions) });
    this.appended += 1;
    if (this.appended > COMPACT_ABOVE) {
      this.appended = 0;
      await this.compact().catch(() => undefined);
    }
  }

  /** Folds the journal into chunks, unless another tab is doing so. */
  async compact(): Promise<boolean> {
    return this.exclusive(`zoarium-compact-${this.name}`, async () => {
      const journal = (await this.database.getAllKeys()).filter((key) => key.startsWith(JOURNAL));
      if (journal.length === 0) return;
      const texts = await this.database.getMany(journal);
      const folded: string[] = [];
      const byChunk = new Map<string, Revision[]>();
      for (const key of journal) {
        const block = readBlock(texts[key] ?? '');
        if (block.kind !== 'whole') continue;
        folded.push(key);
        for (const revision of block.records) {
          const chunk = chunkKey(revision);
          byChunk.set(chunk, [...(byChunk.get(chunk) ?? []), revision]);
        }
      }
      const chunks = await this.database.getMany([...byChunk.keys()]);
      const writes: Record<string, string> = {};
      for (const [key, added] of byChunk) {
        const text = chunks[key];
        const present = text ? readBlock(text) : { kind: 'whole' as const, records: [] };
        if (present.kind !== 'whole') return;
        const merged = mergeRevisions(mergeRevisions(EMPTY_LOG, present.records), added);
        writes[key] = writeBlock(allRevisions(merged));
      }
      await this.database.setMany(writes);
      await this.database.removeMany(folded);
    });
  }

  /** The blocks that were set aside, as they were found. */
  async aside(): Promise<Record<string, string>> {
    const keys = (await this.database.getAllKeys()).filter((key) => key.startsWith(ASIDE));
    const texts = await this.database.getMany(keys);
    return Object.fromEntries(keys.map((key) => [key, texts[key] ?? '']));
  }

  /** Empties the database: records, drafts and what was set aside. */
  async wipe(): Promise<void> {
    await this.database.clear();
  }

  private async setAside(
    key: string,
    text: string,
    readable: readonly Revision[],
    lost: number | null,
  ): Promise<Damage> {
    const keys = new Set(await this.database.getAllKeys());
    let asideKey = `${ASIDE}${key}`;
    for (let n = 2; keys.has(asideKey); n += 1) asideKey = `${ASIDE}${key}~${n}`;
    try {
      await this.database.setMany({ [asideKey]: text, [key]: writeBlock(readable) });
    } catch {
      // With no room for a copy the block stays where it is, which keeps it just as well.
      asideKey = key;
    }
    return { key, asideKey, lost };
  }
}

function isBlockKey(key: string): boolean {
  return key.startsWith(JOURNAL) || key.startsWith(CHUNK);
}
