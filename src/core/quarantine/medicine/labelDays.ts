import type { Logged } from '../../history/logged';
import type { EntryOf } from '../../records/kinds';
import type { Medicine } from '../../records/schema/medicine';
import { DAY_MS } from '../../time/zone';

type Medication = Logged<EntryOf<'medication'>>;

/** What of a medicine’s days by its label has passed. */
export interface LabelDays {
  /** The moment from which they count, ms, days that nobody tested left out; null while none do. */
  since: number | null;
  /** Where the newest test lies in the label’s range; null without a test or a range. */
  reads: 'below' | 'within' | 'above' | null;
  /** When that test was made, ms. */
  readAt: number | null;
}

/** A test speaks for the water so long, days: what nobody tested for longer is no day within the range. */
const SPEAKS_DAYS = 2;

/**
 * How long a medicine has been at its level. Where its label names a range, days count while tests read within
 * it: one below begins them anew, one above neither counts nor takes away. Without a range they count from the
 * first dose.
 * @param own what was logged of it since it was last out, in order of time
 */
export function labelDays(
  { target }: Pick<Medicine, 'target'>,
  own: readonly Medication[],
): LabelDays {
  const first = own.find(({ entry }) => entry.act === 'given');
  if (!first) return { since: null, reads: null, readAt: null };
  if (!target) return { since: first.at, reads: null, readAt: null };
  const tests = own.flatMap(({ at, entry }) =>
    entry.act === 'measured' && entry.value !== undefined && at >= first.at
      ? [{ at, value: entry.value }]
      : [],
  );
  let since: number | null = null;
  let before: number | null = null;
  let reads: LabelDays['reads'] = null;
  for (const { at, value } of tests) {
    reads = value < target.low ? 'below' : value > target.high ? 'above' : 'within';
    // What was not tested for long is left out of the days.
    if (since !== null && before !== null) since += Math.max(0, at - before - SPEAKS_DAYS * DAY_MS);
    if (reads === 'below') since = null;
    if (reads === 'within') since ??= at;
    before = at;
  }
  return { since, reads, readAt: before };
}
