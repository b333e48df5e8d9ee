import * as z from 'zod';
import { MIGRATIONS, type Ancestry } from '../migrations/migrations';
import type { RawRecord } from './rawRecord';
import { revisionSchema, type Revision } from '../schema/revision';

/**
 * Raised whenever a record could be written that an older Zoarium would not understand. Version 2
 * added organics, media, treatments, light and sightings, a bottle's age, and a tank's method;
 * version 3 made facts that change in time into entries, and added top-offs, feedings, observations,
 * animals and runs; version 4 added calibrations, salt mixes, purified water and weighings, what of a
 * tank is not entered, what a heater's dial and its thermometer said, and the pack of a kit and how often it is calibrated;
 * version 5 added wishes, animals of the keeper's own, places of corals, quarantine batches, how a tank is stocked, and who an animal is, where it
 * came from and where it went; version 6 added daily looks, labels of medicines and what was given by
 * them, sponges and the cleaning after a batch, protocols of the keeper's own, and more of what a batch
 * is; version 7 added chores, days away, costs, the closing of a tank, why a task was skipped, the
 * currency and the hour of reminders; version 8 added the photo of an animal;
 * version 9 narrowed what keys and ids may hold and what figures of an animal may be; version 10 added
 * time without flow, where new water came from, and a label that is silent about the filter; version 11
 * added moves between two tanks, seven signs and forms of medicine; version 12 gave records the words of the
 * screen; version 13 added connected instruments, alarms, free ammonia, who reads a kit and the spread of a reading.
 */
export const FILE_VERSION = 13;

export type ParsedRecord = { ok: true; records: Revision[] } | { ok: false; why: string };

const rawSchema = z.record(z.string(), z.unknown());

/**
 * The one door through which a record comes in, from a file, a block or another tab. One record of
 * an older version can become several.
 * @param raw what was found
 * @param fromVersion the version of what it was found in, 1 to FILE_VERSION
 * @param parentOf finds the revision it was made from among what came with it
 */
export function parseRecord(
  raw: unknown,
  fromVersion: number,
  parentOf: Ancestry = () => undefined,
): ParsedRecord {
  if (fromVersion === FILE_VERSION) {
    const parsed = revisionSchema.safeParse(raw);
    return parsed.success
      ? { ok: true, records: [parsed.data] }
      : { ok: false, why: issueWords(parsed.error) };
  }
  const shape = rawSchema.safeParse(raw);
  if (!shape.success) return { ok: false, why: issueWords(shape.error) };
  let records: RawRecord[] = [shape.data];
  for (let version = fromVersion; version < FILE_VERSION; version += 1) {
    const migration = MIGRATIONS[version];
    if (!migration) return { ok: false, why: `format ${version} is not known` };
    records = records.flatMap((record) => migration.up(record, parentOf));
  }
  const good: Revision[] = [];
  for (const record of records) {
    const parsed = revisionSchema.safeParse(record);
    if (!parsed.success) return { ok: false, why: issueWords(parsed.error) };
    good.push(parsed.data);
  }
  return { ok: true, records: good };
}

export interface RawRow {
  raw: unknown;
  version: number;
}

export interface ParsedRows {
  records: Revision[];
  /** Rows that could not be read, by their place among the rows. */
  refused: { index: number; why: string }[];
}

/**
 * Parses records that belong together, so that what depends on an earlier revision finds it.
 * @param among all that earlier revisions may be found in, where that is more than the rows
 */
export function parseRecords(rows: readonly RawRow[], among: readonly RawRow[] = rows): ParsedRows {
  const parents = rows.some((row) => row.version < ANCESTRY_UNTIL) ? ancestry(among) : undefined;
  const parsed: ParsedRows = { records: [], refused: [] };
  rows.forEach(({ raw, version }, index) => {
    const result = parseRecord(raw, version, parents);
    if (result.ok) parsed.records.push(...result.records);
    else parsed.refused.push({ index, why: result.why });
  });
  return parsed;
}

/** Versions from here on are read without looking at what a record was made from. */
const ANCESTRY_UNTIL = 3;

function ancestry(rows: readonly RawRow[]): Ancestry {
  const found = new Map<string, RawRecord>();
  for (const { raw } of rows) {
    const record = rawSchema.safeParse(raw);
    if (record.success && record.data.type === 'tank') {
      found.set(`${String(record.data.id)}/${String(record.data.rev)}`, record.data);
    }
  }
  return (record) => found.get(`${String(record.id)}/${String(record.parentRev)}`);
}

/** The first thing wrong with a record, as a place and a reason. */
export function issueWords(error: z.ZodError): string {
  const issue = error.issues[0];
  if (!issue) return 'it is damaged';
  const place = issue.path.map(String).join('.');
  return place === '' ? issue.message : `${place}: ${issue.message}`;
}
