import type { AsyncStorage } from '@react-native-async-storage/async-storage';
import { allRevisions, EMPTY_LOG, mergeRevisions } from '../core/records/log';
import { withoutDoubles } from '../core/records/doubles';
import { compareInFull } from '../core/records/order';
import {
  FILE_VERSION,
  parseRecords,
  type ParsedRows,
  type RawRow,
} from '../core/records/file/parse';
import type { Revision } from '../core/records/schema/revision';
import { BLOCK_RECORDS, inBlocks, readBlock, writeBlock } from './block';
import type { Flush } from './flush';
import {
  ASIDE,
  chunkKey,
  FIRST_GENERATION,
  GENERATION,
  isBlockKey,
  JOURNAL,
  journalKey,
} from './keys';
import { breath } from './breath';
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

/** Blocks beyond which a load or an append folds the small ones into fewer. */
const FOLD_ABOVE = 60;
/** Times the keys are listed again because another tab folded what had just been listed. */
const PATIENCE = 25;

interface LogStoreOptions {
  /** Makes the ids of new blocks. */
  newId: () => string;
  exclusive?: Exclusive;
  /** Pushes to the disk what was written; without it a save is as durable as the package makes it. */
  flush?: Flush;
}

interface Block {
  key: string;
  text: string;
}

interface Sorted {
  /** Rows of every block that is whole as JSON, and the block each comes from. */
  rows: RawRow[];
  from: string[];
  damaged: Block[];
}

/**
 * The log in a browser database. A save is one transaction on new keys, and nothing is ever written
 * over: folding puts what several blocks hold into a new one and only then removes them. So tabs need
 * nobody's consent to append, load or fold, and being killed anywhere loses nothing, because merging
 * the same revisions twice changes nothing.
 */
export class LogStore {
  private written = 0;

  constructor(
    private readonly database: AsyncStorage,
    private readonly name: string,
    private readonly options: LogStoreOptions,
  ) {}

  /** Everything that can be read. Damaged blocks are set aside and named. */
  async load(): Promise<LoadedLog> {
    const generation = await this.generation();
    const blocks = await this.blocks(generation);
    const sorted = await sortRows(blocks);
    const parsed = await parsedInSlices(sorted.rows);
    const lost = new Map<string, number>();
    for (const { index } of parsed.refused) {
      const key = sorted.from[index] ?? '';
      lost.set(key, (lost.get(key) ?? 0) + 1);
    }
    const damage: Damage[] = [];
    for (const block of sorted.damaged) damage.push(await this.setAside(generation, block, null));
    for (const block of blocks) {
      const count = lost.get(block.key);
      if (count !== undefined) damage.push(await this.setAside(generation, block, count));
    }
    const revisions = withoutDoubles(parsed.records).records.sort(compareInFull);
    // Never a condition of opening: a disk that is full can still be read.
    if (blocks.length > FOLD_ABOVE) await this.fold().catch(() => undefined);
    return { revisions, damage };
  }

  /**
   * Stores revisions, and what else belongs to the same act, in one transaction.
   * @param beside further keys and their texts: the draft that this act empties
   * @returns whether the browser confirmed that it is on the disk
   * @throws when nothing could be written
   */
  async append(
    revisions: readonly Revision[],
    beside: Record<string, string> = {},
  ): Promise<boolean> {
    const writes: Record<string, string> = { ...beside };
    for (const block of inBlocks(revisions)) {
      writes[journalKey(this.options.newId())] = writeBlock(block);
    }
    if (Object.keys(writes).length === 0) return true;
    await this.database.setMany(writes);
    const flushed = (await this.options.flush?.()) ?? false;
    this.written += 1;
    if (this.written > FOLD_ABOVE) {
      this.written = 0;
      await this.fold().catch(() => undefined);
    }
    return flushed;
  }

  /** Puts what many small blocks hold into few. Another tab that is at it already is left to it. */
  async fold(): Promise<boolean> {
    return (this.options.exclusive ?? webExclusive)(`zoarium-fold-${this.name}`, async () => {
      const generation = await this.generation();
      const blocks = await this.blocks(generation);
      const whole: { key: string; records: Revision[] }[] = [];
      const all = parsedBlocks(blocks);
      for (const { key, records } of all) {
        if (records && (key.startsWith(JOURNAL) || records.length < BLOCK_RECORDS)) {
          whole.push({ key, records });
        }
      }
      if (whole.length < 2) return;
      const merged = allRevisions(
        mergeRevisions(
          EMPTY_LOG,
          whole.flatMap(({ records }) => records),
        ),
      );
      const writes: Record<string, string> = {};
      for (const block of inBlocks(merged)) {
        writes[chunkKey(generation, this.options.newId())] = writeBlock(block);
      }
      await this.database.setMany(writes);
      await this.database.removeMany(whole.map(({ key }) => key));
    });
  }

  /** The texts of all blocks, as they lie there: what a copy is made of. */
  async blockTexts(): Promise<string[]> {
    return (await this.blocks(await this.generation())).map(({ text }) => text);
  }

  /** The blocks that were set aside, as they were found. */
  async aside(): Promise<Record<string, string>> {
    const keys = (await this.database.getAllKeys()).filter((key) => key.startsWith(ASIDE));
    const texts = await this.database.getMany(keys);
    return Object.fromEntries(keys.map((key) => [key, texts[key] ?? '']));
  }

  /**
   * Empties the database: records, drafts and what was set aside. What another tab is folding at
   * this moment belongs to the generation that ends here, and stays gone.
   */
  async wipe(): Promise<void> {
    const generation = `g-${this.options.newId()}`;
    await this.database.setMany({ [GENERATION]: generation });
    await this.database.clear();
    await this.database.setMany({ [GENERATION]: generation });
    await this.options.flush?.();
  }

  private async generation(): Promise<string> {
    return (await this.database.getItem(GENERATION)) ?? FIRST_GENERATION;
  }

  /**
   * Every block with its text. Keys and values are two steps, and between them another tab may have
   * folded a block into a new one: then the keys are listed again.
   */
  private async blocks(generation: string): Promise<Block[]> {
    for (let tries = 1; ; tries += 1) {
      const keys = (await this.database.getAllKeys()).filter((key) => isBlockKey(key, generation));
      const texts = await this.database.getMany(keys);
      const gone = keys.some((key) => texts[key] === null || texts[key] === undefined);
      if (!gone || tries >= PATIENCE) {
        return keys.flatMap((key) => {
          const text = texts[key];
          return text === null || text === undefined ? [] : [{ key, text }];
        });
      }
    }
  }

  /** Keeps a damaged block as it was found, and what can be read of it in a block of its own. */
  private async setAside(
    generation: string,
    { key, text }: Block,
    lost: number | null,
  ): Promise<Damage> {
    const asideKey = `${ASIDE}${key}`;
    const [block] = parsedBlocks([{ key, text }], true);
    const readable = block?.records ?? [];
    const writes: Record<string, string> = { [asideKey]: text };
    if (readable.length > 0) {
      writes[chunkKey(generation, this.options.newId())] = writeBlock(readable);
    }
    try {
      await this.database.setMany(writes);
      await this.database.removeMany([key]);
      return { key, asideKey, lost };
    } catch {
      // With no room for a copy the block stays where it is, which keeps it just as well.
      return { key, asideKey: key, lost };
    }
  }
}

async function sortRows(blocks: readonly Block[]): Promise<Sorted> {
  const sorted: Sorted = { rows: [], from: [], damaged: [] };
  for (const [place, block] of blocks.entries()) {
    if (place > 0) await breath();
    const reading = readBlock(block.text);
    if (reading.kind === 'newer') {
      throw new NewerLogError(`The log has format ${reading.version}.`);
    }
    if (reading.kind === 'damaged') sorted.damaged.push(block);
    else {
      for (const row of reading.rows) {
        sorted.rows.push(row);
        sorted.from.push(block.key);
      }
    }
  }
  return sorted;
}

/**
 * The records of each block, parsed together so that an older record finds the one it was made from.
 * @param partly also gives what can be read of a block that is not whole
 */
function parsedBlocks(
  blocks: readonly Block[],
  partly = false,
): { key: string; records: Revision[] | null }[] {
  const readings = blocks.map(({ key, text }) => ({ key, reading: readBlock(text) }));
  const rows = readings.flatMap(({ reading }) => (reading.kind === 'rows' ? reading.rows : []));
  const context = rows.some((row) => row.version < FILE_VERSION) ? rows : undefined;
  return readings.map(({ key, reading }) => {
    if (reading.kind !== 'rows') return { key, records: null };
    const parsed = parseRecords(reading.rows, context);
    return { key, records: partly || parsed.refused.length === 0 ? parsed.records : null };
  });
}

/** Rows read in one go: a long log must not keep the page from answering. */
const SLICE = 2000;

async function parsedInSlices(rows: readonly RawRow[]): Promise<ParsedRows> {
  const all: ParsedRows = { records: [], refused: [] };
  for (let from = 0; from < rows.length; from += SLICE) {
    if (from > 0) await breath();
    const part = parseRecords(rows.slice(from, from + SLICE), rows);
    for (const record of part.records) all.records.push(record);
    for (const { index, why } of part.refused) all.refused.push({ index: from + index, why });
  }
  return all;
}
