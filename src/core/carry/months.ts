import * as z from 'zod';
import { derivedId } from '../math/hash';
import { idSchema } from '../records/common';
import { compareText, revisionKey } from '../records/order';
import type { Revision } from '../records/schema/revision';
import { instant } from '../time/zone';

/** A hundred years of months: a file that names more is no summary of a log. */
const MOST_MONTHS = 1200;

/** A hash of what was recorded in each month, by `2026-11`: what a log holds, told in a few lines. */
export const monthsSchema = z
  .record(z.string().regex(/^\d{4}-(0[1-9]|1[0-2])$/), idSchema)
  .refine((months) => Object.keys(months).length <= MOST_MONTHS, 'has too many months');
export type Months = z.infer<typeof monthsSchema>;

/** The month, of UTC, in which a revision was recorded: the same on every device. */
export function monthOf({ recordedAt }: Pick<Revision, 'recordedAt'>): string {
  return recordedAt.endsWith('Z')
    ? recordedAt.slice(0, 7)
    : new Date(instant(recordedAt)).toISOString().slice(0, 7);
}

/** Whether a record belongs to the log that devices share: each has settings of its own. */
export const isShared = ({ type }: Revision): boolean => type !== 'settings';

/**
 * What a log holds, by month: a hash of 122 bits over the identities of its revisions in order. Two logs have
 * the same hash of a month where they hold the same revisions of it. It guards against accidents, not against
 * forgery: whoever can write a carry can write any record.
 */
export function monthsOf(revisions: readonly Revision[]): Months {
  const keys = new Map<string, string[]>();
  for (const revision of revisions) {
    if (!isShared(revision)) continue;
    const month = monthOf(revision);
    const there = keys.get(month);
    if (there) there.push(revisionKey(revision));
    else keys.set(month, [revisionKey(revision)]);
  }
  return Object.fromEntries(
    [...keys]
      .sort(([a], [b]) => compareText(a, b))
      .map(([month, all]) => [month, derivedId(all.sort(compareText).join('\n'))]),
  );
}
