import { writeFileSync } from 'node:fs';
import { allRevisions } from '../src/core/records/log';
import { mergeRevisions, toLogFile, writeLogFile, type Log } from '../src/core';
import { writtenBy, type ActWriter } from '../src/core/acts/writer';
import { derivedId } from '../src/core/math/hash';
import { revisionSchema } from '../src/core/records/schema/revision';
import { countOf } from '../src/core/units/format';
import { CliError } from './errors';
import type { OpenedLog } from './logFile';

/**
 * The log with one more act in it, as the text of a file. The identity of the act follows from what it says,
 * so that the same command twice is one act.
 * @param said what the act says, to the letter
 * @throws CliError where part of the log could not be read and would be lost, where nothing is written, and
 * where what is written does not pass its schema
 */
export function withAct(
  { log, refused }: OpenedLog,
  write: (act: ActWriter) => void,
  said: readonly unknown[],
  now: number,
): { log: Log; text: string } {
  if (refused.length > 0) {
    throw new CliError(
      `${countOf(refused.length, 'record')} of this log could not be read and would be lost; see "check".`,
    );
  }
  const recordedAt = new Date(now).toISOString();
  const stamp = { actId: derivedId(JSON.stringify(said)), device: 'command', recordedAt };
  const revisions = writtenBy(write, log, now, stamp);
  if (revisions.length === 0) throw new CliError('The log says that already.');
  for (const revision of revisions) {
    const issue = revisionSchema.safeParse(revision).error?.issues[0];
    if (issue) throw new CliError(`Not written: ${issue.path.join(', ')} ${issue.message}.`);
  }
  const next = mergeRevisions(log, revisions);
  return { log: next, text: writeLogFile(toLogFile(allRevisions(next), recordedAt)).trimEnd() };
}

/**
 * A text as it is printed, or what is said once it was written to a file of its own.
 * @throws CliError for a file that is there already, the log that was read among them, and for one that
 * cannot be written
 */
export function printedOrWritten(text: string, out: string | undefined): string {
  if (out === undefined) return text;
  try {
    writeFileSync(out, `${text}\n`, { flag: 'wx' });
  } catch (error) {
    const there = (error as NodeJS.ErrnoException).code === 'EEXIST';
    throw new CliError(
      there
        ? `${out} is there already and is not written over. Name a new file.`
        : `Cannot write ${out}. Check the folder.`,
    );
  }
  return `Wrote ${out}.`;
}
