import { FILE_VERSION } from '../records/file/parse';
import { allRevisions, type Log } from '../records/log';
import type { Revision } from '../records/schema/revision';
import { CARRY_FORMAT, type CarryHead } from './head';
import { isShared, monthOf, monthsOf } from './months';
import type { Receipt } from './receipts';

export interface Carry extends CarryHead {
  records: Revision[];
}

/**
 * What a device needs of a log: all of each month that it does not hold as it is here. Settings go along only
 * where nothing is known of the other device, which may have none yet.
 * @param receipt what the other device held when it was last heard of; null where nothing is known
 */
export function makeCarry(
  log: Log,
  about: Pick<Carry, 'id' | 'from' | 'madeAt' | 'wants'>,
  receipt: Receipt | null,
): Carry {
  const all = allRevisions(log);
  const months = monthsOf(all);
  const lacks = (revision: Revision) => {
    const month = monthOf(revision);
    return isShared(revision) && months[month] !== receipt?.months[month];
  };
  return {
    ...about,
    to: receipt?.id ?? null,
    months,
    records: receipt ? all.filter(lacks) : all,
  };
}

/**
 * The text of a carry's file.
 * @param photos texts of photos that go along, by their ids
 */
export function writeCarry(carry: Carry, photos: Readonly<Record<string, string>> = {}): string {
  const { records, ...head } = carry;
  return `${JSON.stringify({ format: CARRY_FORMAT, version: FILE_VERSION, ...head, records, photos })}\n`;
}
