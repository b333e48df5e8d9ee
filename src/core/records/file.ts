import * as z from 'zod';
import { countOf } from '../units/format';
import { instantSchema } from './schema/common';
import { revisionSchema, type Revision } from './schema/revision';

/**
 * Raised whenever a record could be written that an older Zoarium would not understand. Version 2
 * added organics, media, treatments, light and sightings, a bottle's age, and a tank's method; every
 * record of version 1 is one of version 2 as it stands.
 */
export const FILE_VERSION = 2;
export const FILE_FORMAT = 'zoarium-log';

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
  { ok: true; file: LogFile; refused: RefusedRow[] } | { ok: false; why: string };

const headerSchema = z.looseObject({
  format: z.string(),
  version: z.number(),
  exportedAt: instantSchema.optional(),
  records: z.array(z.unknown()),
});

/**
 * Opens the text of an exported log. Records that can't be understood are left out and named in
 * `refused`; the rest is returned. A file that is no log at all, or a newer one, is refused whole.
 */
export function readLogFile(text: string): FileReading {
  let raw: unknown;
  try {
    raw = JSON.parse(text);
  } catch {
    const cut = text.trimStart().startsWith('{') && !text.trimEnd().endsWith('}');
    return refuse(
      cut
        ? 'The file ends in the middle. Export it again, or look for an earlier copy.'
        : 'This is not a JSON file. Choose a log that Zoarium exported.',
    );
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
  const good: Revision[] = [];
  const refused: RefusedRow[] = [];
  records.forEach((record, index) => {
    const parsed = revisionSchema.safeParse(record);
    if (parsed.success) good.push(parsed.data);
    else refused.push({ row: index + 1, why: issueWords(parsed.error) });
  });
  if (good.length === 0 && refused.length > 0) {
    return refuse(
      `None of its ${countOf(refused.length, 'record')} could be read: ${refused[0]?.why}`,
    );
  }
  const exportedAt = header.data.exportedAt ?? '1970-01-01T00:00:00Z';
  return { ok: true, file: toLogFile(good, exportedAt), refused };
}

function refuse(why: string): FileReading {
  return { ok: false, why };
}

/** The first thing wrong with a record, as a place and a reason. */
export function issueWords(error: z.ZodError): string {
  const issue = error.issues[0];
  if (!issue) return 'it is damaged';
  const place = issue.path.map(String).join('.');
  return place === '' ? issue.message : `${place}: ${issue.message}`;
}
