import { createRecord, type ActStamp } from '../records/acts';
import type { Entry, EntryKind, EntryOf } from '../records/kinds';
import type { ReadingEntry } from '../records/kinds/reading';
import type { Kit } from '../records/schema/kit';
import type { BodyOf, RecordType, Revision } from '../records/schema/revision';
import { addDaysIn, atTimeOn, dayOf, isoInZone } from '../time/zone';

/** What the demo is made from: nothing in it depends on anything else. */
export interface DemoContext {
  /** The moment it is dated for, ms. */
  now: number;
  zone: string;
  device: string;
  newId: () => string;
}

type Body<K extends EntryKind> = Omit<EntryOf<K>, 'kind' | 'tankId' | 'at'>;

/** A value read on a kit: a number on a digital scale, one step or two neighbouring ones on a card. */
export type DemoValue = number | [number, number];

/** Collects revisions the way the app would have written them, act by act, on past days. */
export class DemoWriter {
  readonly revisions: Revision[] = [];

  constructor(private readonly context: DemoContext) {}

  /** The instant of a time on the day that lies `daysAgo` days back. */
  when(daysAgo: number, time: string): number {
    const { now, zone } = this.context;
    const [hours = 0, minutes = 0] = time.split(':').map(Number);
    return atTimeOn(dayOf(addDaysIn(now, -daysAgo, zone), zone), hours, minutes, zone);
  }

  day(daysAgo: number): string {
    const { now, zone } = this.context;
    return dayOf(addDaysIn(now, -daysAgo, zone), zone);
  }

  act(at: number): ActStamp {
    const { device, newId, zone } = this.context;
    return { actId: newId(), device, recordedAt: isoInZone(at, zone) };
  }

  add<T extends RecordType>(stamp: ActStamp, type: T, body: BodyOf<T>): string {
    return this.addAs(this.context.newId(), stamp, type, body);
  }

  /** A record whose id is not a new one. */
  addAs<T extends RecordType>(id: string, stamp: ActStamp, type: T, body: BodyOf<T>): string {
    this.revisions.push(createRecord(stamp, id, type, body));
    return id;
  }

  entry<K extends EntryKind>(
    tankId: string,
    kind: K,
    daysAgo: number,
    time: string,
    body: Body<K>,
  ): string {
    const at = this.when(daysAgo, time);
    const entry = {
      kind,
      tankId,
      at: isoInZone(at, this.context.zone),
      ...body,
    } as unknown as Entry;
    return this.add(this.act(at + 60_000), 'entry', entry);
  }

  /** Several tests made at one time, as one act. */
  testSession(
    tankId: string,
    daysAgo: number,
    time: string,
    values: readonly (readonly [kit: { id: string; kit: Kit }, value: DemoValue])[],
  ): void {
    const at = this.when(daysAgo, time);
    const stamp = this.act(at + 60_000);
    for (const [{ id, kit }, value] of values) {
      const entry: ReadingEntry = {
        kind: 'reading',
        tankId,
        at: isoInZone(at, this.context.zone),
        parameter: kit.parameter,
        kitId: id,
        value: readValue(kit, value),
        dilution: 1,
      };
      this.add(stamp, 'entry', entry);
    }
  }
}

function readValue(kit: Kit, value: DemoValue): ReadingEntry['value'] {
  if (kit.scale.form === 'digital') {
    return { form: 'digital', value: typeof value === 'number' ? value : value[0], unit: kit.unit };
  }
  const { steps } = kit.scale;
  const [low, high] = typeof value === 'number' ? [value, value] : value;
  return { form: 'card', steps: [...steps], low: steps.indexOf(low), high: steps.indexOf(high) };
}
