import * as z from 'zod';
import { FILE_VERSION, type RawRow } from '../core/records/file/parse';
import type { Revision } from '../core/records/schema/revision';
import { jsonOf } from '../core/records/file/json';

/** Records in one block: a value of the database has a size beyond which a browser never answers. */
export const BLOCK_RECORDS = 2000;

/** What a journal or chunk key holds. */
const blockSchema = z.looseObject({ version: z.number(), records: z.array(z.unknown()) });

export function writeBlock(records: readonly Revision[]): string {
  return JSON.stringify({ version: FILE_VERSION, records });
}

/** Records in blocks that are each small enough to be stored. */
export function inBlocks(records: readonly Revision[]): Revision[][] {
  const blocks: Revision[][] = [];
  for (let from = 0; from < records.length; from += BLOCK_RECORDS) {
    blocks.push(records.slice(from, from + BLOCK_RECORDS));
  }
  return blocks;
}

export type BlockReading =
  | { kind: 'rows'; rows: RawRow[] }
  /** Nothing of it could be understood. */
  | { kind: 'damaged' }
  | { kind: 'newer'; version: number };

/** Opens a stored block; its rows are parsed together with those of the others. */
export function readBlock(text: string): BlockReading {
  const block = blockSchema.safeParse(jsonOf(text));
  if (!block.success) return { kind: 'damaged' };
  const { version, records } = block.data;
  if (version > FILE_VERSION) return { kind: 'newer', version };
  return { kind: 'rows', rows: records.map((row) => ({ raw: row, version })) };
}
