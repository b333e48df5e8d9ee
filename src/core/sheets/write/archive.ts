import { strToU8, zipSync } from 'fflate';
import type { Log } from '../../records/log';
import type { Plan } from '../../livestock/planner/types';
import { otherSheets } from './others';
import { planSheet } from './plan';
import { readingsCsv } from './readings';
import { sessionsCsv } from './sessions';

/** A name that every file system takes. */
const fileName = (name: string): string => `${name.replace(/[^\w/ -]/g, '')}.csv`;

/**
 * Every sheet of a log in one archive: tests both ways, entries kind by kind, who lives where, chores, wishes.
 * @param plans the dated plans of tanks, where they were worked out
 */
export function sheetsArchive(log: Log, plans: readonly Plan[] = []): Uint8Array {
  const sheets = [
    { name: 'tests', csv: readingsCsv(log) },
    { name: 'test sessions', csv: sessionsCsv(log) },
    ...otherSheets(log),
    ...planSheet(log, plans),
  ];
  return zipSync(Object.fromEntries(sheets.map(({ name, csv }) => [fileName(name), strToU8(csv)])));
}
