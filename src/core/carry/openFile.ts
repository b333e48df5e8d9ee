import * as z from 'zod';
import { soundPhotos, type Photo } from '../photos/file';
import { isPhotosFile } from '../photos/format';
import { decodeText } from '../records/file/encoding';
import { FILE_FORMAT, headerIn, readJson, type RefusedRow } from '../records/file/file';
import { issueWords, parseRecords } from '../records/file/parse';
import { isPacked, otherFileOf } from '../records/file/signature';
import type { Revision } from '../records/schema/revision';
import { CARRY_FORMAT, carryHeadSchema, type CarryHead } from './head';

/** What an opened file of records holds. */
export interface OpenedRecords {
  kind: 'records';
  records: Revision[];
  refused: RefusedRow[];
  /** Revisions whose identity another of the file bears with other contents, which counts instead. */
  doubled: Revision[];
  /** What it says of the device that it comes from; null for an exported log. */
  carry: CarryHead | null;
  photos: Photo[];
  /** When it was written. */
  writtenAt: string;
}

/** What a chosen file turned out to be. */
export type OpenedFile =
  | OpenedRecords
  | { kind: 'photos'; text: string }
  | { kind: 'refused'; why: string };

/** What a file may be at most, bytes: a log of ten busy years has some fifty million. */
export const MOST_BYTES = 250_000_000;

/** Records read before one says how far it is. */
const IN_ONE_GO = 1000;

const carriedSchema = z.looseObject({
  format: z.literal(CARRY_FORMAT),
  photos: z.record(z.string(), z.unknown()).optional(),
});

const refuse = (why: string): OpenedFile => ({ kind: 'refused', why });
const CHOOSE = 'Choose a log that Zoarium exported, or a file from another device of yours.';

/**
 * Opens a file by what is in it, whatever it is called: an exported log, a carry of another device, or photos.
 * @param progress told of the share of its records that was read, 0 to 1
 */
export function openFile(bytes: Uint8Array, progress: (share: number) => void): OpenedFile {
  if (bytes.length === 0) return refuse(`It is empty. ${CHOOSE}`);
  if (bytes.length > MOST_BYTES) {
    return refuse(
      'It is larger than 250 MB, which no log of a household comes to. Nothing was read.',
    );
  }
  const other = isPacked(bytes) ? 'packed, as a workbook or an archive is' : otherFileOf(bytes);
  if (other) return refuse(`It is ${other}. ${CHOOSE}`);
  const decoded = decodeText(bytes);
  if (!decoded.ok) return refuse(decoded.why);
  if (isPhotosFile(decoded.text)) return { kind: 'photos', text: decoded.text };
  const json = readJson(decoded.text);
  if (!json.ok) {
    const lines = decoded.text.slice(0, 2000).split('\n');
    const sheet = lines.length > 1 && /[,;\t]/.test(lines[0] ?? '') && !/[{<]/.test(lines[0] ?? '');
    return refuse(sheet ? 'It looks like a spreadsheet: open it under Spreadsheets.' : json.why);
  }
  const carried = carriedSchema.safeParse(json.raw);
  if (!carried.success) return recordsIn(json.raw, null, [], progress);
  const head = carryHeadSchema.safeParse(json.raw);
  if (!head.success) {
    return refuse(
      `This file from another device is damaged: ${issueWords(head.error)}. Make it anew there.`,
    );
  }
  const log = { ...carried.data, format: FILE_FORMAT, exportedAt: head.data.madeAt };
  return recordsIn(log, head.data, soundPhotos(carried.data.photos ?? {}), progress);
}

function recordsIn(
  raw: unknown,
  carry: CarryHead | null,
  photos: Photo[],
  progress: (share: number) => void,
): OpenedFile {
  const header = headerIn(raw);
  if (!header.ok) return refuse(header.why);
  const { records, version, finish } = header;
  const rows = records.map((one) => ({ raw: one, version }));
  const good: Revision[] = [];
  const refused: RefusedRow[] = [];
  for (let from = 0; from < rows.length; from += IN_ONE_GO) {
    const part = parseRecords(rows.slice(from, from + IN_ONE_GO), rows);
    good.push(...part.records);
    refused.push(...part.refused.map(({ index, why }) => ({ row: from + index + 1, why })));
    progress(Math.min(1, (from + IN_ONE_GO) / rows.length));
  }
  const reading = finish(good, refused);
  if (!reading.ok) return refuse(reading.why);
  return {
    kind: 'records',
    records: reading.file.records,
    refused: reading.refused,
    doubled: reading.doubled,
    carry,
    photos,
    writtenAt: reading.file.exportedAt,
  };
}
