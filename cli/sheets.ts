import { readFileSync } from 'node:fs';
import { allRevisions, mergeRevisions, toLogFile, writeLogFile, type Log } from '../src/core';
import { derivedId } from '../src/core/math/hash';
import { bringIn } from '../src/core/sheets/bring';
import { isPacked } from '../src/core/records/file/signature';
import { openPlain } from '../src/core/sheets/bytes';
import { sheetContext } from '../src/core/sheets/context';
import { mappingSchema, type Mapping } from '../src/core/sheets/mapping';
import { readWorkbook } from '../src/core/sheets/sheet';
import { readingsCsv } from '../src/core/sheets/write/readings';
import { sessionsCsv } from '../src/core/sheets/write/sessions';
import type { Revision, RevisionOf } from '../src/core/records/schema/revision';
import { countOf } from '../src/core/units/format';
import { CliError } from './errors';
import type { OpenedLog } from './logFile';

// Spreadsheets in and out: the same code as the screen's.

export const EXPORTS = ['csv', 'wide', 'ndjson'] as const;

/** A log as a sheet of one test a row, of one session a row, or as one record a line. */
export function exported(log: Log, as: (typeof EXPORTS)[number]): string {
  if (as === 'csv') return readingsCsv(log).trimEnd();
  if (as === 'wide') return sessionsCsv(log).trimEnd();
  return allRevisions(log)
    .map((revision) => JSON.stringify(revision))
    .join('\n');
}

const bytesOf = (path: string | undefined): Uint8Array => {
  if (!path) throw new CliError('Name the spreadsheet to read, after the log.');
  try {
    return readFileSync(path);
  } catch {
    throw new CliError(`Cannot read ${path}. Check the name.`);
  }
};

/** A mapping as the import prints it. @throws CliError for one that is none */
function mappingIn(path: string): Mapping {
  let json: unknown;
  try {
    json = JSON.parse(readFileSync(path, 'utf8'));
  } catch {
    throw new CliError(
      `Cannot read ${path}: it is no JSON. Print one with "import" without --map.`,
    );
  }
  const parsed = mappingSchema.safeParse(json);
  if (parsed.success) return parsed.data;
  const [issue] = parsed.error.issues;
  throw new CliError(
    `${path}: ${issue?.path.join('.') || 'it'} ${issue?.message ?? 'is no mapping'}.`,
  );
}

/** Rows that are shown of what was read and of what was refused. */
const SHOWN = 20;

/**
 * Reads a spreadsheet against a log. Without a mapping it says how it would be read and writes nothing; with
 * one it gives the log with everything in it.
 */
export function imported(
  opened: OpenedLog,
  tank: RevisionOf<'tank'>,
  sheet: string | undefined,
  map: string | undefined,
  now: number,
): object | string {
  const bytes = bytesOf(sheet);
  if (isPacked(bytes)) {
    throw new CliError(`${sheet} is a workbook: save its sheet as CSV, or bring it in under Data.`);
  }
  const book = openPlain(bytes);
  if (!book.ok) throw new CliError(`${sheet}: ${book.why}`);
  const mapping = map === undefined ? null : mappingIn(map);
  const found = readWorkbook(book.workbook, mapping, sheetContext(opened.log, tank.id, now, 'ymd'));
  if (mapping === null) {
    return {
      readings: found.readings.length,
      notes: found.notes.length,
      refused: found.refused.slice(0, SHOWN),
      refusedInAll: found.refused.length,
      questions: found.questions,
      first: found.readings.slice(0, SHOWN).map(({ at, parameter, text, value, unit }) => ({
        at,
        parameter,
        text,
        value,
        unit,
      })),
      mapping: found.mapping,
    };
  }
  if (opened.refused.length > 0) {
    throw new CliError(
      `${countOf(opened.refused.length, 'record')} of this log could not be read and would be lost; see "check".`,
    );
  }
  const recordedAt = new Date(now).toISOString();
  const actId = derivedId(JSON.stringify(['import', tank.id, found.readings.map(({ id }) => id)]));
  const { revisions } = bringIn(opened.log, found, [], { actId, device: 'command', recordedAt });
  if (revisions.length === 0) throw new CliError('Nothing of it is new: the log has it all.');
  return fileOf(mergeRevisions(opened.log, revisions), now);
}

const fileOf = (log: Log, now: number): string =>
  writeLogFile(toLogFile(allRevisions(log), new Date(now).toISOString())).trimEnd();

/** Two logs as one. What only one of them has is in it, and of what both changed each has its revisions. */
export function merged(a: OpenedLog, b: OpenedLog, now: number): string {
  for (const { refused } of [a, b]) {
    if (refused.length > 0) {
      throw new CliError('Part of a log could not be read and would be lost; see "check".');
    }
  }
  return fileOf(mergeRevisions(a.log, allRevisions(b.log)), now);
}

interface Side {
  records: number;
  revisions: number;
  /** Records by their type. */
  of: Record<string, number>;
}

function sideOf(revisions: readonly Revision[]): Side {
  const byId = new Map(revisions.map((revision) => [revision.id, revision]));
  const of: Record<string, number> = {};
  for (const { type } of byId.values()) of[type] = (of[type] ?? 0) + 1;
  return { records: byId.size, revisions: revisions.length, of };
}

/** What each of two logs has that the other lacks, and how many records would stand against each other. */
export function compared(a: Log, b: Log): object {
  const key = ({ id, rev, actId }: Revision) => `${id}/${rev}/${actId}`;
  const [first, second] = [allRevisions(a), allRevisions(b)];
  const [inA, inB] = [new Set(first.map(key)), new Set(second.map(key))];
  const both = mergeRevisions(a, second);
  return {
    onlyInFirst: sideOf(first.filter((one) => !inB.has(key(one)))),
    onlyInSecond: sideOf(second.filter((one) => !inA.has(key(one)))),
    inBoth: sideOf(first.filter((one) => inB.has(key(one)))),
    conflicts: both.conflicted.length,
  };
}
