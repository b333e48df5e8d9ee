import type { EntryBody, EntryKind } from '../records/kinds';
import { entriesOfTank, type Log } from '../records/log';
import type { RevisionOf } from '../records/schema/revision';
import { dayOf, dayStart, instant, isoInZone } from '../time/zone';
import type { ActWriter } from '../acts/writer';

/** What a tank's form tells of what happened to it: each is an entry with a day of its own. */
export interface TankFacts {
  filledOn: string | null;
  runningSince: string | null;
  lid: boolean;
  heaterVerifiedOn: string | null;
}

export const NO_FACTS: TankFacts = {
  filledOn: null,
  runningSince: null,
  lid: false,
  heaterVerifiedOn: null,
};

/** The newest entry of a kind at a tank. */
function newest(log: Log, tankId: string, kind: EntryKind): RevisionOf<'entry'> | undefined {
  return entriesOfTank(log, tankId).findLast(({ body }) => body.kind === kind);
}

/** What the log says of a tank, as its form shows it. */
export function factsOf(log: Log, tankId: string, zone: string): TankFacts {
  const day = (kind: EntryKind) => {
    const head = newest(log, tankId, kind);
    return head ? dayOf(instant(head.body.at), zone) : null;
  };
  const lid = newest(log, tankId, 'lid')?.body;
  return {
    filledOn: day('filled'),
    runningSince: day('running'),
    lid: lid?.kind === 'lid' && lid.fitted,
    heaterVerifiedOn: day('heaterCheck'),
  };
}

interface FactWriter {
  act: ActWriter;
  log: Log;
  tankId: string;
  zone: string;
  now: number;
}

/** Writes a fact that happens once: another day corrects the entry, no day removes it. */
function writeDay(
  { act, log, tankId, zone }: FactWriter,
  body: EntryBody<'filled' | 'running' | 'heaterCheck'>,
  before: string | null,
  after: string | null,
  correct: boolean,
): void {
  if (before === after) return;
  const head = newest(log, tankId, body.kind);
  if (after === null) {
    if (head) act.remove(head);
    return;
  }
  const at = isoInZone(dayStart(after, zone), zone);
  if (head && correct) act.revise(head, { ...head.body, at });
  else act.create('entry', { ...body, tankId, at });
}

/** Writes the entries that turn what was so into what the form says. */
export function writeFacts(writer: FactWriter, before: TankFacts, after: TankFacts): void {
  writeDay(writer, { kind: 'filled' }, before.filledOn, after.filledOn, true);
  writeDay(writer, { kind: 'running' }, before.runningSince, after.runningSince, true);
  // A heater checked against a thermometer again is a check of its own.
  writeDay(writer, { kind: 'heaterCheck' }, before.heaterVerifiedOn, after.heaterVerifiedOn, false);
  if (before.lid === after.lid) return;
  const { act, tankId, zone, now } = writer;
  act.create('entry', { kind: 'lid', tankId, at: isoInZone(now, zone), fitted: after.lid });
}
