import { createRecord, type ActStamp } from '../core/records/acts';
import type { KitTemplateId } from '../core/parameters/registry';
import { kitFrom } from '../core/records/kitTemplates';
import { EMPTY_LOG, mergeRevisions, type Log } from '../core/records/log';
import { derivedId } from '../core/math/hash';
import type { Entry, EntryBody } from '../core/records/kinds';
import { dayStart, isoInZone } from '../core/time/zone';
import type { ReadingEntry } from '../core/records/kinds/reading';
import type { Kit } from '../core/records/schema/kit';
import type { Revision } from '../core/records/schema/revision';
import { DEFAULT_DONE_RULE, type Tank } from '../core/records/schema/tank';

/** Midnight UTC of the day the test tanks are filled. */
export const FILLED = Date.parse('2026-03-02T00:00:00Z');
export const DAY = 86_400_000;
export const HOUR = 3_600_000;

/** The instant of a day of the tank's life, at noon unless told otherwise. */
export function onDay(day: number, hour = 12): number {
  return FILLED + day * DAY + hour * HOUR;
}

/** A tank, with what stands with it told as days, as tests like to. */
export interface TestTank extends Tank {
  filledOn: string | null;
  runningSince: string | null;
  lid: boolean;
  heaterVerifiedOn: string | null;
  light: 'off' | 'on';
  fishInSince?: string;
}

/** A tank and nothing that happened to it. */
export const BARE_TANK: Tank = {
  name: 'Test tank',
  kind: 'display',
  zone: 'UTC',
  volume: {
    shell: { by: 'label', litres: 120 },
    rockKg: 0,
    rockDensity: 2,
    sandDepth: 0,
    sump: null,
    measuredAtFill: { by: 'litres', litres: 100 },
  },
  rock: 'dryRock',
  lightPlan: 'off',
  doneRule: DEFAULT_DONE_RULE,
};

export const TEST_TANK: TestTank = {
  ...BARE_TANK,
  filledOn: '2026-03-02',
  runningSince: null,
  lid: true,
  heaterVerifiedOn: '2026-03-02',
  light: 'off',
};

/** Ids that are valid, stable and in order, as those of the clock are: the n-th of a builder. */
export function testId(n: number): string {
  const digits = n.toString(16);
  return `${digits.padStart(8, '0')}-0000-7000-8000-${digits.padStart(12, '0')}`;
}

/** An entry of any kind without its tank and its time. */
export type EntryInput = EntryBody;

/** Builds small logs for tests: one tank, kits on demand, entries on days of its life. */
export class LogBuilder {
  private next = 1;
  private readonly kits = new Map<string, string>();
  readonly revisions: Revision[] = [];
  readonly tankId: string;

  constructor(tank: Partial<TestTank> = {}) {
    this.tankId = this.newId();
    const { filledOn, runningSince, lid, heaterVerifiedOn, light, fishInSince, ...body } = {
      ...TEST_TANK,
      ...tank,
    };
    const stamp = this.stamp();
    this.revisions.push(createRecord(stamp, this.tankId, 'tank', body));
    const on = (name: string, day: string | null | undefined, entry: EntryInput) => {
      if (!day) return;
      const at = isoInZone(dayStart(day, body.zone), body.zone);
      const dated = { tankId: this.tankId, at, ...entry } as Entry;
      // Ids of their own, so that a fact more or less moves no other.
      this.revisions.push(createRecord(stamp, derivedId(this.tankId + name), 'entry', dated));
    };
    const first = filledOn ?? '2026-03-02';
    on('filled', filledOn, { kind: 'filled' });
    on('running', runningSince, { kind: 'running' });
    on('lid', lid ? first : null, { kind: 'lid', fitted: true });
    on('heater', heaterVerifiedOn, { kind: 'heaterCheck' });
    on('light', light === 'on' ? first : null, { kind: 'light', state: 'on' });
    on('fish', fishInSince, { kind: 'animals', move: 'in', group: 'fish', what: 'Fish' });
  }

  newId = (): string => testId(this.next++);

  stamp(at = FILLED): ActStamp {
    return { actId: this.newId(), device: 'test', recordedAt: new Date(at).toISOString() };
  }

  kit(template: KitTemplateId, changes: Partial<Kit> = {}): string {
    const key = template + JSON.stringify(changes);
    const known = this.kits.get(key);
    if (known) return known;
    const id = this.newId();
    this.revisions.push(
      createRecord(this.stamp(), id, 'kit', { ...kitFrom(template, 0), ...changes }),
    );
    this.kits.set(key, id);
    return id;
  }

  entry(at: number, entry: EntryInput): string {
    const id = this.newId();
    const body = { tankId: this.tankId, at: new Date(at).toISOString(), ...entry } as Entry;
    this.revisions.push(createRecord(this.stamp(at), id, 'entry', body));
    return id;
  }

  /** A card read at a step, or between two neighbouring ones. */
  card(
    template: KitTemplateId,
    at: number,
    step: number | [number, number],
    options: { kit?: Partial<Kit>; dilution?: number } = {},
  ): string {
    const kitId = this.kit(template, options.kit);
    const kit = { ...kitFrom(template, 0), ...options.kit };
    const steps = kit.scale.form === 'card' ? kit.scale.steps : [];
    const [low, high] = typeof step === 'number' ? [step, step] : step;
    return this.entry(at, {
      kind: 'reading',
      parameter: kit.parameter,
      kitId,
      dilution: options.dilution ?? 1,
      value: {
        form: 'card',
        steps: [...steps],
        low: steps.indexOf(low),
        high: steps.indexOf(high),
      },
    });
  }

  digital(template: KitTemplateId, at: number, value: number, changes: Partial<Kit> = {}): string {
    const kitId = this.kit(template, changes);
    const kit = { ...kitFrom(template, 0), ...changes };
    const reading: Omit<ReadingEntry, 'tankId' | 'at'> = {
      kind: 'reading',
      parameter: kit.parameter,
      kitId,
      dilution: 1,
      value: { form: 'digital', value, unit: kit.unit },
    };
    return this.entry(at, reading);
  }

  ammonia = (at: number, step: number | [number, number]) => this.card('ammoniaCard', at, step);
  nitrite = (at: number, step: number | [number, number]) => this.card('nitriteCard', at, step);
  nitrate = (at: number, step: number | [number, number]) => this.card('nitrateCard', at, step);

  dose(at: number, ppm: number, changes: Partial<Extract<Entry, { kind: 'dose' }>> = {}): string {
    return this.entry(at, {
      kind: 'dose',
      substance: 'ammoniumChloride',
      amount: { by: 'target', rise: { value: ppm, unit: 'ammonia N' } },
      strength: null,
      about: false,
      ...changes,
    });
  }

  waterChange(at: number, litres: number): string {
    return this.entry(at, { kind: 'waterChange', litres, newWater: {} });
  }

  /** The conditions every rule for done asks for, measured at one moment. */
  conditions(at: number, dkh = 8): void {
    this.digital('alkalinityDrops', at, dkh);
    this.digital('refractometer', at, 35);
    this.digital('thermometer', at, 25.5);
  }

  log(): Log {
    return mergeRevisions(EMPTY_LOG, this.revisions);
  }
}
