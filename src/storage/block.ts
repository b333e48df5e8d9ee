import * as z from 'zod';
import { FILE_VERSION } from '../core/records/file';
import { revisionSchema, type Revision } from '../core/records/schema/revision';

/** What a journal or chunk key holds. */
const blockSchema = z.looseObject({ version: z.number(), records: z.array(z.unknown()) });

export function writeBlock(records: readonly Revision[]): string {
  return JSON.stringify({ version: FILE_VERSION, records });
}

export type BlockReading =
  | { kind: 'whole'; records: Revision[] }
  /** Part of it, or nothing, could be understood. */
  | { kind: 'damaged'; records: Revision[]; lost: number | null }
  | { kind: 'newer'; version: number };

/** Opens a stored block, keeping every record in it that can be understood. */
export function readBlock(text: string): BlockReading {
  let raw: unknown;
  try {
    raw = JSON.parse(text);
  } catch {
    return { kind: 'damaged', records: [], lost: null };
  }
  const block = blockSchema.safeParse(raw);
  if (!block.success) return { kind: 'damaged', records: [], lost: null };
  if (block.data.version > FILE_VERSION) return { kind: 'newer', version: block.data.version };
  const records: Revision[] = [];
  for (const row of block.data.records) {
    const parsed = revisionSchema.safeParse(row);
    if (parsed.success) records.push(parsed.data);
  }
  const lost = block.data.records.length - records.length;
  return lost === 0 ? { kind: 'whole', records } : { kind: 'damaged', records, lost };
}
