import * as z from 'zod';
import { PRACTICE_FORMAT, readJson } from '../../records/file/file';
import { FILE_VERSION, parseRecords } from '../../records/file/parse';
import { revisionKey } from '../../records/order';
import { countOf } from '../../units/format';
import type { Revision } from '../../records/schema/revision';
import { DAY_MS, instant } from '../../time/zone';
import { begin } from './begin';
import { headerSchema, LONGEST_DAYS, type RunHeader } from './header';

/** The second tells by which laws the tank was drawn; those of the first were drawn by the first. */
const RUN_VERSIONS = [1, 2] as const;
const RUN_VERSION = 2;

/** A run: its header and what its keeper wrote; everything else follows from them. */
export interface PracticeRun {
  header: RunHeader;
  records: readonly Revision[];
}

const fileSchema = z.strictObject({
  format: z.literal(PRACTICE_FORMAT),
  version: z.literal(RUN_VERSIONS),
  /** Version of the records in it, those of a log. */
  records: z.strictObject({ version: z.int(), rows: z.array(z.unknown()).max(100_000) }),
  run: headerSchema,
});

/** The run of a practice log: what it began with is left out, since it can be made again. */
export function runOf(header: RunHeader, revisions: readonly Revision[]): PracticeRun {
  const before = new Set(begin(header).revisions.map(revisionKey));
  return {
    header,
    records: revisions
      .filter((revision) => !before.has(revisionKey(revision)))
      .toSorted((a, b) => instant(a.recordedAt) - instant(b.recordedAt) || (a.id < b.id ? -1 : 1)),
  };
}

/** Everything in the log of a run. */
export function revisionsOf({ header, records }: PracticeRun): Revision[] {
  return [...begin(header).revisions, ...records];
}

export function writeRun({ header, records }: PracticeRun): string {
  const file: z.infer<typeof fileSchema> = {
    format: PRACTICE_FORMAT,
    version: RUN_VERSION,
    run: header,
    records: { version: FILE_VERSION, rows: [...records] },
  };
  return `${JSON.stringify(file, null, 1)}\n`;
}

export type RunReading = { ok: true; run: PracticeRun } | { ok: false; why: string };

const refuse = (why: string): RunReading => ({ ok: false, why });
const formatSchema = z.looseObject({ format: z.string(), version: z.number() });

/** Reads a run's file; what is wrong with it is said, with what to do. */
export function readRun(text: string): RunReading {
  const json = readJson(text);
  if (!json.ok) return refuse(json.why);
  const head = formatSchema.safeParse(json.raw);
  if (!head.success || head.data.format !== PRACTICE_FORMAT) {
    return refuse(
      'This is no practice. One is kept as a file from Practice; a log is imported under Data.',
    );
  }
  if (head.data.version > RUN_VERSION) {
    return refuse(
      'This practice was kept by a newer Zoarium. Reload this page, and open it again.',
    );
  }
  const file = fileSchema.safeParse(json.raw);
  if (!file.success) {
    const [issue] = file.error.issues;
    return refuse(
      `Part of this practice is damaged (${issue?.path.join('.') ?? 'file'}: ${issue?.message ?? ''}). Keep it anew from Practice.`,
    );
  }
  const { run: header, records } = file.data;
  const { version } = records;
  if (version > FILE_VERSION) {
    return refuse(
      'This practice was kept by a newer Zoarium. Reload this page, and open it again.',
    );
  }
  const parsed = parseRecords(records.rows.map((raw) => ({ raw, version })));
  if (parsed.refused.length > 0) {
    return refuse(
      `${countOf(parsed.refused.length, 'record')} of this practice cannot be read, and without them it would be another tank. Keep it anew from Practice.`,
    );
  }
  const long = instant(header.clock) - instant(header.startedAt);
  if (long < 0 || long > LONGEST_DAYS * DAY_MS) {
    return refuse(
      `The clock of this practice stands outside its ${LONGEST_DAYS} days. Keep it anew from Practice.`,
    );
  }
  return { ok: true, run: { header, records: parsed.records } };
}

/** The same run up to a moment, from which it goes on another way. */
export function runUntil({ header, records }: PracticeRun, at: number): PracticeRun {
  const clock = Math.max(instant(header.startedAt), Math.min(instant(header.clock), at));
  return {
    header: {
      ...header,
      clock: new Date(clock).toISOString(),
      said: header.said.filter((said) => instant(said.at) <= clock),
      answer: null,
    },
    // By the moment that is meant: what was done in the first hour lies before no clock of the run.
    records: records.filter(({ recordedAt }) => instant(recordedAt) <= at),
  };
}
