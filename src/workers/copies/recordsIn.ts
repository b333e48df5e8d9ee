import { parseRecords } from '../../core/records/file/parse';
import type { Revision } from '../../core/records/schema/revision';
import { readBlock } from '../../storage/block';

/** The records in the texts of blocks; what is damaged is left out. */
export function recordsIn(texts: readonly string[]): Revision[] {
  const rows = texts.flatMap((text) => {
    const block = readBlock(text);
    return block.kind === 'rows' ? block.rows : [];
  });
  return parseRecords(rows).records;
}
