import * as z from 'zod';
import { countOf } from '../../units/format';
import { instantSchema } from '../common';
import { withoutDoubles } from '../doubles';
import { FILE_VERSION, parseRecords } from './parse';
import { revisionSchema, type Revision } from '../schema/revision';
import { jsonOf } from './json';

export const FILE_FORMAT = 'zoarium-log';
/** What a practice run says of itself, which is no log of a real tank. */
export const PRACTICE_FORMAT = 'zoarium-practice';

export const logFileSchema = z.strictObject({
  format: z.literal(FILE_FORMAT),
  version: z.literal(FILE_VERSION),
  exportedAt: instantSchema,
  records: z.array(revisionSchema),
});
export type LogFile = z.infer<typeof logFileSchema>;

export function toLogFile(revisions: readonly Revision[], exportedAt: string): LogFile {
  return {
    format: FILE_FORMAT,
    version: FILE_VERSION,
    exportedAt,
    records: [...revisions],
  };
}

/** A file's text; two exports of one log differ in `exportedAt` alone. */
export function writeLogFile(file: LogFile): string {
  return `${JSON.stringify(file, null, 1)}\n`;
}

export interface RefusedRow {
  /** Position in the file, from 1. */
  row: number;
  why: string;
}

export type FileReading =
  | {
      ok: true;
      file: LogFile;
      refused: RefusedRow[];
      /** Revisions whose identity another of the file bears with other contents, which counts instead. */
      doubled: Revision[];
    }
  | { ok: false; why: string };

const practiceSchema = z.looseObject({ format: z.literal(PRACTICE_FORMAT) });
const headerSchema = z.looseObject({
  format: z.string(),
  version: z.number(),
  exportedAt: instantSchema.optional(),
  records: z.array(z.unknown()),
});

interface Header {
  ok: true;
  version: number;
  records: readonly unknown[];
  /** What the file comes to, once its records have been parsed. */
  finish: (records: Revision[], refused: RefusedRow[]) => FileReading;
}

export type JsonReading = { ok: true; raw: unknown } | { ok: false; why: string };

/** The value of a JSON text, or what is wrong with it in words. */
export function readJson(text: string): JsonReading {
  const raw = jsonOf(text);
  if (raw !== undefined) return { ok: true, raw };
  // What trims a text takes a byte-order mark for a space.
  const cut = text.trimStart().startsWith('{') && !text.trimEnd().endsWith('}');
  return refuse(
    cut
      ? 'The file ends in the middle. Export it again, or look for an earlier copy.'
      : 'This is not a JSON file. Choose a log that Zoarium exported.',
  );
}

/** Opens the frame of an exported log: what it is, and its records as they lie there. */
export function readHeader(text: string): Header | { ok: false; why: string } {
  const json = readJson(text);
  return json.ok ? headerIn(json.raw) : json;
}

/** The frame of an exported log in a value that was read as JSON. */
export function headerIn(raw: unknown): Header | { ok: false; why: string } {
  if (practiceSchema.safeParse(raw).success) {
    return refuse('This is a practice, of a made-up tank. Open it under Practice.');
  }
  const header = headerSchema.safeParse(raw);
  if (!header.success || header.data.format !== FILE_FORMAT) {
    return refuse('This is not a Zoarium log. Choose a file that Zoarium exported.');
  }
  const { version, records } = header.data;
  if (version > FILE_VERSION) {
    return refuse(
      `This log has format ${version}; this Zoarium reads up to ${FILE_VERSION}. Update it first.`,
    );
  }
  if (!Number.isInteger(version) || version < 1) {
    return refuse(`Format ${version} of this log is not known.`);
  }
  const exportedAt = header.data.exportedAt ?? '1970-01-01T00:00:00Z';
  const finish: Header['finish'] = (good, refused) => {
    if (good.length === 0 && refused.length > 0) {
      return refuse(
        `None of its ${countOf(refused.length, 'record')} could be read: ${refused[0]?.why}`,
      );
    }
    const { records: single, doubled } = withoutDoubles(good);
    return { ok: true, file: toLogFile(single, exportedAt), refused, doubled };
  };
  return { ok: true, version, records, finish };
}

/**
 * Opens the text of an exported log. Records that can't be understood are left out and named in
 * `refused`; the rest is returned. A file that is no log at all, or a newer one, is refused whole.
 */
export function readLogFile(text: string): FileReading {
  const header = readHeader(text);
  if (!header.ok) return header;
  const { version, records, finish } = header;
  const parsed = parseRecords(records.map((raw) => ({ raw, version })));
  return finish(
    parsed.records,
    parsed.refused.map(({ index, why }) => ({ row: index + 1, why })),
  );
}

function refuse(why: string): { ok: false; why: string } {
  return { ok: false, why };
}
