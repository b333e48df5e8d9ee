import { tankHistory } from '@/core/history/derive';
import type { TankHistory } from '@/core/history/tankHistory';
import type { ParameterId } from '@/core/parameters/registry';
import { deedsOf } from '@/core/practice/deeds/deeds';
import { begin, readingOf, type Begun } from '@/core/practice/run/begin';
import type { RunHeader } from '@/core/practice/run/header';
import { playedLog, type Played } from '@/core/practice/run/play';
import type { SituationId } from '@/core/practice/situations/situations';
import { live } from '@/core/practice/world/live';
import { LAWS_NOW } from '@/core/practice/world/nature';
import { createRecord, type ActStamp } from '@/core/records/acts';
import type { Entry, EntryBody } from '@/core/records/kinds';
import { EMPTY_LOG, mergeRevisions } from '@/core/records/log';
import type { Kit } from '@/core/records/schema/kit';
import type { Revision, RevisionOf } from '@/core/records/schema/revision';
import { DAY_MS, instant, isoInZone } from '@/core/time/zone';
import { testId } from '../logBuilder';

const STARTED = '2026-05-04T09:00:00.000Z';

/** A keeper at a practice tank, whose eyes are good: what is read is what its vial shows. */
export class PracticeLife {
  readonly begun: Begun;
  readonly revisions: Revision[];
  now = instant(STARTED);
  tests = 0;
  private made = 0;
  private readonly meant: { at: number; body: EntryBody }[] = [];

  constructor(
    readonly situation: SituationId,
    readonly seed: number,
  ) {
    this.begun = begin({ situation, seed, startedAt: STARTED, zone: 'UTC', laws: LAWS_NOW });
    this.revisions = [...this.begun.revisions];
  }

  get day(): number {
    return (this.now - this.begun.start.filledAt) / DAY_MS;
  }

  /** Lets time pass, and does meanwhile what was meant to be done by then. */
  wait(ms: number): void {
    const until = this.now + Math.max(0, Math.round(ms));
    for (const { at, body } of this.meant.splice(0).sort((a, b) => a.at - b.at)) {
      if (at > until) this.meant.push({ at, body });
      else {
        this.now = Math.max(this.now, at);
        this.do(body);
      }
    }
    this.now = until;
  }

  /** Means to do something at a later moment. */
  later(at: number, body: EntryBody): void {
    this.meant.push({ at, body });
  }

  /** Whether something is meant to be done still. */
  get busy(): boolean {
    return this.meant.length > 0;
  }

  do(body: EntryBody): void {
    this.write({ ...body, tankId: this.begun.tankId, at: isoInZone(this.now, 'UTC') } as Entry);
  }

  /** Tests what is named, each with the kit that is there for it. */
  test(parameters: readonly ParameterId[]): void {
    const lived = live(this.begun.start, deedsOf(this.revisions), this.now);
    for (const parameter of parameters) {
      const kit = this.kits().findLast(({ body }) => body.parameter === parameter);
      if (!kit) continue;
      this.tests += 1;
      const at = isoInZone(this.now, 'UTC');
      this.write(readingOf(this.begun.tankId, kit.id, kit.body, lived, at));
    }
  }

  kits(): RevisionOf<'kit'>[] {
    return this.revisions.flatMap((revision) => (revision.type === 'kit' ? [revision] : []));
  }

  /** Buys a new kit in the place of each that is past its date, as Today asks. */
  renewKits(): void {
    for (const { body } of this.kits()) {
      if (body.expiresOn === null || instant(`${body.expiresOn}T00:00:00Z`) > this.now) continue;
      if (this.kits().some((kit) => kit.body.parameter === body.parameter && !kit.body.expiresOn)) {
        continue;
      }
      this.buy(body);
    }
  }

  /** Takes another kit for each, as one does whose kit may be dead. */
  otherKits(parameters: readonly ParameterId[]): void {
    for (const parameter of parameters) {
      const kit = this.kits().findLast(({ body }) => body.parameter === parameter);
      if (kit) this.buy(kit.body);
    }
  }

  private buy(kit: Kit): void {
    const { id, stamp } = this.stamp();
    this.revisions.push(
      createRecord(stamp, id, 'kit', {
        ...kit,
        name: `${kit.name}, new`.slice(0, 60),
        expiresOn: null,
      }),
    );
  }

  history(): TankHistory {
    const log = mergeRevisions(EMPTY_LOG, this.revisions);
    return tankHistory(log, this.begun.tankId, this.now + 60_000);
  }

  played(): Played {
    const header: RunHeader = {
      ...{ seed: this.seed, situation: this.situation, startedAt: STARTED, zone: 'UTC' },
      laws: LAWS_NOW,
      ...{ clock: new Date(this.now).toISOString(), said: [], answer: null },
    };
    return playedLog(header, this.revisions);
  }

  private stamp(): { id: string; stamp: ActStamp } {
    this.made += 1;
    const id = testId(1_000_000 * (this.seed + 1) + this.made);
    const recordedAt = new Date(this.now).toISOString();
    return { id, stamp: { actId: id, device: 'keeper', recordedAt } };
  }

  private write(entry: Entry): void {
    const { id, stamp } = this.stamp();
    this.revisions.push(createRecord(stamp, id, 'entry', entry));
  }
}

export const SUBSTANCE = { strength: null, about: false } as const;
export const BOTTLE: EntryBody = {
  kind: 'dose',
  substance: 'bacteria',
  amount: { by: 'mL', mL: 160 },
  ...SUBSTANCE,
};
/** A rise aimed at, as N, by the keeper's own sums. */
export const dose = (rise: number): EntryBody => ({
  kind: 'dose',
  substance: 'ammoniumChloride',
  amount: { by: 'target', rise: { value: rise, unit: 'ammonia N' } },
  ...SUBSTANCE,
});
export const fish = (count: number, grams: number): EntryBody => ({
  kind: 'animals',
  move: 'in',
  group: 'fish',
  what: 'Clownfish',
  count,
  grams: count * grams,
});
