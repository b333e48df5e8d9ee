import { createRecord, reviseRecord, type ActStamp } from '../records/acts';
import type { EntryBody } from '../records/kinds';
import { headOf, isType, type Log } from '../records/log';
import type { Revision, RevisionOf } from '../records/schema/revision';
import type { SheetFound, SheetOffer, SheetReading } from './readSheet';

/** What bringing a sheet in would write. */
export interface Bringing {
  revisions: Revision[];
  /** Tests that are not in the log yet. */
  fresh: number;
  /** Tests that were brought in and undone, and come back. */
  back: number;
  /** Tests that are there already, as they were or corrected since. */
  known: number;
}

/**
 * The revisions that bring what was found in a sheet into a log, as one act. What is there stays as it is: the
 * same sheet again, or on another device, brings nothing twice, and what was corrected since stays corrected.
 * @param offers water changes that the keeper ticked, and how many litres each was
 */
export function bringIn(
  log: Log,
  found: Pick<SheetFound, 'readings' | 'notes' | 'freshKits'>,
  offers: readonly { offer: SheetOffer; litres: number }[],
  stamp: ActStamp,
): Bringing {
  const result: Bringing = { revisions: [], fresh: 0, back: 0, known: 0 };
  const put = (id: string, body: EntryBody & { tankId: string; at: string }) => {
    const head = headOf(log, id);
    if (!head) result.revisions.push(createRecord(stamp, id, 'entry', body));
    else if (head.deleted && isType(head, 'entry')) {
      result.revisions.push(reviseRecord(stamp, head as RevisionOf<'entry'>, body));
    }
    return head === undefined ? 'fresh' : head.deleted ? 'back' : 'known';
  };
  for (const { id, kit } of found.freshKits) {
    const head = headOf(log, id);
    if (!head) result.revisions.push(createRecord(stamp, id, 'kit', kit));
    else if (head.deleted && isType(head, 'kit')) {
      result.revisions.push(reviseRecord(stamp, head, kit));
    }
  }
  for (const reading of found.readings) result[put(reading.id, bodyOf(reading))] += 1;
  for (const { id, tankId, at, text } of found.notes) put(id, { kind: 'note', tankId, at, text });
  for (const { offer, litres } of offers) {
    const { id, tankId, at } = offer;
    put(id, { kind: 'waterChange', tankId, at, litres, newWater: {} });
  }
  return result;
}

function bodyOf({ tankId, at, parameter, kitId, value, dilution, note, unlikely }: SheetReading) {
  return {
    kind: 'reading' as const,
    tankId,
    at,
    parameter,
    kitId,
    value,
    dilution,
    ...(note === '' ? {} : { note }),
    // Bringing it in after it was shown says that it is what was read.
    ...(unlikely ? { confirmed: true as const } : {}),
  };
}
