import { derivedId } from '../../math/hash';
import type { KitTemplateId, ParameterId } from '../../parameters/registry';
import { createRecord, type ActStamp } from '../../records/acts';
import { FIRST_KITS, kitFrom } from '../../records/kitTemplates';
import type { Entry } from '../../records/kinds';
import type { ReadingEntry } from '../../records/kinds/reading';
import type { Kit } from '../../records/schema/kit';
import { METRIC_SETTINGS, SETTINGS_ID } from '../../records/schema/settings';
import type { BodyOf, RecordType, Revision } from '../../records/schema/revision';
import type { Tank } from '../../records/schema/tank';
import { DAY_MS, dayOf, HOUR_MS, instant, isoInZone } from '../../time/zone';
import { netVolume } from '../../water/volume';
import { deedsOf } from '../deeds/deeds';
import { sampleOf } from '../kits/sample';
import { situationOf } from '../situations/situations';
import type { Situation } from '../situations/types';
import { live, type Lived, type Start } from '../world/live';
import type { RunHeader } from './header';

/** What a run begins with: the log as its keeper finds it, and the world behind it. */
export interface Begun {
  revisions: Revision[];
  start: Start;
  tankId: string;
  kits: Readonly<Partial<Record<KitTemplateId, string>>>;
}

/** The device of what was there before the keeper came. */
const BEFORE = 'practice';

/** What a keeper sees nearest to what a card shows. */
function stepNear(steps: readonly number[], shown: number): number {
  const eye = (value: number) => Math.sqrt(value + 0.05);
  let best = 0;
  steps.forEach((step, n) => {
    if (Math.abs(eye(step) - eye(shown)) < Math.abs(eye(steps[best] ?? 0) - eye(shown))) best = n;
  });
  return best;
}

/** What a kit reads in a world, as somebody with good eyes would write it down. */
export function readingOf(
  tankId: string,
  kitId: string,
  kit: Kit,
  lived: Lived,
  at: string,
): ReadingEntry {
  const { shown } = sampleOf(kitId, kit, lived);
  const { scale } = kit;
  const common = {
    kind: 'reading' as const,
    tankId,
    at,
    parameter: kit.parameter,
    kitId,
    dilution: 1,
  };
  if (scale.form === 'digital') {
    return {
      ...common,
      value: { form: 'digital', value: Math.round(shown * 1e6) / 1e6, unit: kit.unit },
    };
  }
  const step = stepNear(scale.steps, shown);
  return { ...common, value: { form: 'card', steps: [...scale.steps], low: step, high: step } };
}

function tankOf(situation: Situation, zone: string): Tank {
  return {
    name: 'Practice',
    kind: 'display',
    zone,
    volume: {
      shell: { by: 'label', litres: situation.litres * 1.2 },
      rockKg: 18,
      rockDensity: 2,
      sandDepth: 3,
      sump: null,
      measuredAtFill: { by: 'litres', litres: situation.litres },
    },
    rock: situation.rock,
    lightPlan: 'off',
    doneRule: situation.doneRule,
    method: situation.method,
    ...(situation.programme ? { programme: situation.programme } : {}),
  };
}

/** Everything that a run begins with, from its header alone. */
export function begin(
  header: Pick<RunHeader, 'seed' | 'situation' | 'startedAt' | 'zone' | 'laws'>,
): Begun {
  const { seed, zone, laws } = header;
  const situation = situationOf(header.situation);
  const startedAt = instant(header.startedAt);
  const filledAt = startedAt - Math.round(situation.takenOver * DAY_MS);
  const name = `practice/${seed}/${header.situation}/${startedAt}`;
  let made = 0;
  const idFor = (what: string) => derivedId(`${name}/${what}`);
  const revisions: Revision[] = [];
  const add = <T extends RecordType>(id: string, at: number, type: T, body: BodyOf<T>) => {
    made += 1;
    const stamp: ActStamp = {
      actId: idFor(`act ${made}`),
      device: BEFORE,
      recordedAt: new Date(at).toISOString(),
    };
    revisions.push(createRecord(stamp, id, type, body));
    return id;
  };
  add(SETTINGS_ID, filledAt - HOUR_MS, 'settings', METRIC_SETTINGS);
  const tank = tankOf(situation, zone);
  const tankId = add(idFor('tank'), filledAt - HOUR_MS, 'tank', tank);
  const kits: Partial<Record<KitTemplateId, string>> = {};
  const bodies = new Map<string, Kit>();
  FIRST_KITS.forEach((template, order) => {
    const expired = template === 'ammoniaCard' ? situation.ammoniaKitExpired : undefined;
    const kit: Kit = {
      ...kitFrom(template, order),
      expiresOn: expired === undefined ? null : dayOf(startedAt - expired * DAY_MS, zone),
    };
    const id = add(idFor(template), filledAt - HOUR_MS, 'kit', kit);
    kits[template] = id;
    bodies.set(id, kit);
  });
  const start: Start = {
    seed,
    beginning: {
      rock: situation.rock,
      computedLitres: netVolume(tank.volume).net,
      hidden: situation.hidden,
      laws,
    },
    filledAt,
    dial: 25.5,
    toppedOff: situation.toppedOff,
    oldKits: new Set(bodies.keys()),
    measures: (kitId) => bodies.get(kitId)?.parameter satisfies ParameterId | undefined,
  };
  situation.past.forEach(({ day, entry }, n) => {
    const at = filledAt + Math.round(day * DAY_MS);
    const body = { ...entry, tankId, at: isoInZone(at, zone) } as Entry;
    add(idFor(`past ${n}`), at, 'entry', body);
  });
  const deeds = deedsOf(revisions);
  for (const [n, { day, tests }] of situation.tested.entries()) {
    const at = filledAt + Math.round(day * DAY_MS);
    const lived = live(start, deeds, at);
    for (const template of tests) {
      const kitId = kits[template];
      const kit = kitId === undefined ? undefined : bodies.get(kitId);
      if (kitId === undefined || !kit) continue;
      const reading = readingOf(tankId, kitId, kit, lived, isoInZone(at, zone));
      add(idFor(`test ${n} ${template}`), at, 'entry', reading);
    }
  }
  return { revisions, start, tankId, kits };
}
