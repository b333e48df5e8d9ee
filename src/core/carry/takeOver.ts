import { planImport, type ImportPlan } from '../records/file/importPlan';
import { allRevisions, type Log } from '../records/log';
import type { Revision } from '../records/schema/revision';
import type { CarryHead } from './head';
import { monthOf, monthsOf } from './months';

/** What taking a carry over would do. */
export interface TakeOver extends ImportPlan {
  /** Months, by `2026-11`, of which the device that made it may hold more than came along. */
  lacking: string[];
}

/**
 * What taking a carry over would do to a log. One that was made for another device leaves out what that one
 * holds; so does one made for a device that has been erased since, whose copy is another one now.
 * @param own the id of this device
 */
export function planTakeOver(
  log: Log,
  { to, months }: CarryHead,
  records: readonly Revision[],
  own: string,
): TakeOver {
  const plan = planImport(log, records);
  if (to === null || to === own) return { ...plan, lacking: [] };
  const came = new Set(records.map(monthOf));
  const here = monthsOf(allRevisions(log));
  const lacking = Object.keys(months).filter(
    (month) => !came.has(month) && here[month] !== months[month],
  );
  return { ...plan, lacking: lacking.sort() };
}
