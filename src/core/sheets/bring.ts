import { createRecord, reviseRecord, type ActStamp } from '../records/acts';
import type { EntryBody } from '../records/kinds';
import { readingUnit, type ReadingEntry } from '../records/kinds/reading';
import { entriesOfTank, headOf, isType, type Log } from '../records/log';
import type { Revision } from '../records/schema/revision';
import { instant } from '../time/zone';
import type { Unit } from '../units/units';
import type { SheetOffer } from './read/offer';
import type { SheetFound, SheetNote, SheetReading } from './read/found';

/** How a test of a sheet stands to a log. */
type Standing = 'fresh' | 'back' | 'known';

/** What two tests have to share to be one: tank, parameter, moment, and what was read in which unit. */
function sameness(
  { tankId, parameter, value, dilution }: Omit<ReadingEntry, 'kind' | 'kitId'>,
  at: number,
  unit: Unit,
): string {
  const ends =
    value.form === 'digital'
      ? [value.value, value.value]
      : [value.steps[value.low], value.steps[value.high]];
  return [tankId, parameter, at, unit, ...ends, dilution].join('/');
}

/**
 * How each test of a sheet stands to a log. One that was logged by hand, or that left this log as a sheet,
 * is known by what it says: it has another id than its row.
 */
function standings(log: Log, readings: readonly SheetReading[]): Standing[] {
  const own = new Set(readings.map(({ id }) => id));
  const there = new Map<string, number>();
  for (const tankId of new Set(readings.map((one) => one.tankId))) {
    for (const { id, body } of entriesOfTank(log, tankId)) {
      if (body.kind !== 'reading' || own.has(id)) continue;
      const key = sameness(body, instant(body.at), readingUnit(body, log.everyKit[body.kitId]));
      there.set(key, (there.get(key) ?? 0) + 1);
    }
  }
  return readings.map((reading) => {
    const head = headOf(log, reading.id);
    if (head) return head.deleted ? 'back' : 'known';
    const key = sameness(reading, instant(reading.at), reading.unit);
    const count = there.get(key) ?? 0;
    if (count === 0) return 'fresh';
    there.set(key, count - 1);
    return 'known';
  });
}

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
 * @param offers what notes tell of and the keeper ticked, each with the entry that it is
 */
export function bringIn(
  log: Log,
  found: Pick<SheetFound, 'readings' | 'notes' | 'freshKits'>,
  offers: readonly { offer: SheetOffer; body: EntryBody }[],
  stamp: ActStamp,
): Bringing {
  const result: Bringing = { revisions: [], fresh: 0, back: 0, known: 0 };
  const put = (id: string, body: EntryBody & { tankId: string; at: string }) => {
    const head = headOf(log, id);
    if (!head) result.revisions.push(createRecord(stamp, id, 'entry', body));
    else if (head.deleted && isType(head, 'entry')) {
      result.revisions.push(reviseRecord(stamp, head, body));
    }
  };
  const stands = standings(log, found.readings);
  const used = new Set(
    found.readings.flatMap(({ kitId }, i) => (stands[i] === 'known' ? [] : kitId)),
  );
  for (const { id, kit } of found.freshKits) {
    if (!used.has(id)) continue;
    const head = headOf(log, id);
    if (!head) result.revisions.push(createRecord(stamp, id, 'kit', kit));
    else if (head.deleted && isType(head, 'kit')) {
      result.revisions.push(reviseRecord(stamp, head, kit));
    }
  }
  found.readings.forEach((reading, i) => {
    const standing = stands[i] ?? 'fresh';
    result[standing] += 1;
    if (standing !== 'known') put(reading.id, bodyOf(reading));
  });
  for (const { id, tankId, at, text } of newNotes(log, found.notes)) {
    put(id, { kind: 'note', tankId, at, text });
  }
  for (const { offer, body } of offers) {
    const { id, tankId, at } = offer;
    put(id, { ...body, tankId, at });
  }
  return result;
}

/** How many of the tests of a sheet a log has not, had and undid, and has; and how many of its notes it has not. */
export function newOf(
  log: Log,
  { readings, notes }: Pick<SheetFound, 'readings' | 'notes'>,
): Pick<Bringing, 'fresh' | 'back' | 'known'> & { notes: number } {
  const counts = { fresh: 0, back: 0, known: 0, notes: newNotes(log, notes).length };
  for (const standing of standings(log, readings)) counts[standing] += 1;
  return counts;
}

/** The notes of a sheet that a log has not, by their moment and their words. */
function newNotes(log: Log, notes: readonly SheetNote[]): SheetNote[] {
  const tanks = new Set(notes.map(({ tankId }) => tankId));
  const there = new Set([...tanks].flatMap((tankId) => notesOf(log, tankId)));
  return notes.filter(({ tankId, at, text }) => !there.has(`${tankId}/${instant(at)}/${text}`));
}

/** The notes of a tank, by their moment and their words. */
const notesOf = (log: Log, tankId: string): string[] =>
  entriesOfTank(log, tankId).flatMap(({ body }) =>
    body.kind === 'note' ? [`${tankId}/${instant(body.at)}/${body.text}`] : [],
  );

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
