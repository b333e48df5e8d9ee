import { createRecord, type ActStamp } from '../records/acts';
import type { Entry, ReadingEntry } from '../records/schema/entry';
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

type Body<K extends Entry['kind']> = Omit<Extract<Entry, { kind: K }>, 'kind' | 'tankId' | 'at'>;

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
    const id = this.context.newId();
    this.revisions.push(createRecord(stamp, id, type, body));
    return id;
  }

  entry<K extends Entry['kind']>(
    tankId: string,
    kind: K,
    daysAgo: number,
    time: string,
    body: Body<K>,
  ): void {
    const at = this.when(daysAgo, time);
    const entry = {
      kind,
      tankId,
      at: isoInZone(at, this.context.zone),
      ...body,
    } as unknown as Entry;
    this.add(this.act(at + 60_000), 'entry', entry);
  }

  /** Several tests made at one time, as one act. */
  sitting(
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
