import { readFileSync } from 'node:fs';
import {
  bandsOf,
  EMPTY_LOG,
  headsOfType,
  mergeRevisions,
  METRIC_SETTINGS,
  type Bands,
  type Log,
  type RefusedRow,
  type RevisionOf,
} from '../src/core';
import { openFile } from '../src/core/carry/openFile';
import { CliError } from './errors';

export interface OpenedLog {
  log: Log;
  refused: RefusedRow[];
  /** Revisions that another of the same identity stands for. */
  doubled: number;
  revisions: number;
  exportedAt: string;
}

/** Reads an exported log or a carry, or says in one line why it can't be. */
export function openLog(path: string | undefined): OpenedLog {
  if (!path) throw new CliError('Name the exported log to read.');
  let bytes: Uint8Array;
  try {
    bytes = readFileSync(path);
  } catch {
    throw new CliError(`Cannot read ${path}. Check the name.`);
  }
  const opened = openFile(bytes, () => undefined);
  if (opened.kind === 'refused') throw new CliError(`${path}: ${opened.why}`);
  if (opened.kind === 'photos') throw new CliError(`${path} holds photos and no log.`);
  return {
    log: mergeRevisions(EMPTY_LOG, opened.records),
    refused: opened.refused,
    doubled: opened.doubled.length,
    revisions: opened.records.length,
    exportedAt: opened.writtenAt,
  };
}

/** The tank of that name, or the only one, or the first display. */
export function pickTank(log: Log, name: string | undefined): RevisionOf<'tank'> {
  const tanks = headsOfType(log, 'tank').sort((a, b) => (a.id < b.id ? -1 : 1));
  const names = tanks.map((tank) => tank.body.name).join(', ');
  if (tanks.length === 0) throw new CliError('The log has no tank.');
  if (name === undefined) {
    const found = tanks.find((tank) => tank.body.kind === 'display') ?? tanks[0];
    if (!found) throw new CliError('The log has no tank.');
    return found;
  }
  const found = tanks.find((tank) => tank.body.name.toLowerCase() === name.toLowerCase());
  if (!found) throw new CliError(`No tank is called "${name}". The log has: ${names}.`);
  return found;
}

/** The bands of the log's own settings. */
export function bandsOfLog(log: Log): Bands {
  const settings = headsOfType(log, 'settings')[0]?.body ?? METRIC_SETTINGS;
  return bandsOf(settings.bandPreset, settings.bands);
}
