import { PARAMETER_IDS, type ParameterId } from '../parameters/registry';
import { headOf, headsOfType, isType, type Log } from '../records/log';
import type {
  DoseEntry,
  Entry,
  LightEntry,
  MediaEntry,
  NoteEntry,
  OrganicsEntry,
  ReadingEntry,
  SightingEntry,
  TreatmentEntry,
  WaterChangeEntry,
} from '../records/schema/entry';
import type { Kit } from '../records/schema/kit';
import type { Tank } from '../records/schema/tank';
import { dayStart, HOUR_MS, instant } from '../time/zone';
import { netVolume } from '../water/volume';
import { doseRise } from './dose';
import { toReading, type Reading } from './reading';

export interface Dose {
  id: string;
  at: number;
  entry: DoseEntry;
  /** Rise of total ammonia, mg N/L; null for other substances and where nobody knows. */
  rise: number | null;
}

export interface WaterChange {
  id: string;
  at: number;
  entry: WaterChangeEntry;
  /** Share of the net water that was replaced, 0 to 1. */
  fraction: number;
}

/** An entry that is a fact by itself, with nothing to compute on loading. */
export interface Logged<E> {
  id: string;
  at: number;
  entry: E;
}

/** Everything a log says about one tank up to some moment, in order of time. */
export interface TankHistory {
  tankId: string;
  tank: Tank;
  netLitres: number;
  /** When it was filled, else the first entry; null for a tank with neither. */
  start: number | null;
  readings: Record<ParameterId, Reading[]>;
  doses: Dose[];
  waterChanges: WaterChange[];
  notes: Logged<NoteEntry>[];
  organics: Logged<OrganicsEntry>[];
  media: Logged<MediaEntry>[];
  treatments: Logged<TreatmentEntry>[];
  lights: Logged<LightEntry>[];
  sightings: Logged<SightingEntry>[];
  /** The kits its readings were made with, by id, those put away or removed included. */
  kits: Record<string, Kit>;
}

/** The lists of a history that hold dated entries other than readings. */
function eventLists(history: TankHistory): { id: string; at: number }[][] {
  const { doses, waterChanges, notes, organics, media, treatments, lights, sightings } = history;
  return [doses, waterChanges, notes, organics, media, treatments, lights, sightings];
}

const TEMPERATURE_WINDOW = 2 * HOUR_MS;

/** The kit a reading was made with, even if the keeper has since put it away. */
export function kitOf(log: Log, kitId: string): Kit | undefined {
  const head = headOf(log, kitId);
  return head && isType(head, 'kit') ? head.body : undefined;
}

function nearest<T extends { at: number }>(
  items: readonly T[],
  at: number,
  within: number,
): T | undefined {
  let found: T | undefined;
  for (const item of items) {
    const gap = Math.abs(item.at - at);
    if (gap <= within && (!found || gap < Math.abs(found.at - at))) found = item;
  }
  return found;
}

/**
 * Gathers a tank's entries. The order they were made in does not matter: they sort by their own time, and
 * of readings made at one moment the higher comes last, so that it is the one that counts.
 * @param until entries after this instant are left out
 * @throws RangeError when the log has no such tank
 */
export function tankHistory(log: Log, tankId: string, until = Infinity): TankHistory {
  const head = headOf(log, tankId);
  if (!head || !isType(head, 'tank')) throw new RangeError('The log has no such tank.');
  const tank = head.body;
  const netLitres = netVolume(tank.volume).net;
  const heads = headsOfType(log, 'entry').filter(
    (entry) => entry.body.tankId === tankId && instant(entry.body.at) <= until,
  );
  const readings = Object.fromEntries(PARAMETER_IDS.map((id) => [id, [] as Reading[]])) as Record<
    ParameterId,
    Reading[]
  >;
  const history: TankHistory = {
    tankId,
    tank,
    netLitres,
    start: null,
    readings,
    doses: [],
    waterChanges: [],
    notes: [],
    organics: [],
    media: [],
    treatments: [],
    lights: [],
    sightings: [],
    kits: {},
  };
  const later: { id: string; entry: ReadingEntry }[] = [];
  for (const { id, body } of heads) {
    if (body.kind === 'reading') {
      const used = kitOf(log, body.kitId);
      if (used) history.kits[body.kitId] = used;
      if (body.parameter === 'temperature') {
        readings.temperature.push(toReading(id, body, kitOf(log, body.kitId), tank.zone));
      } else later.push({ id, entry: body });
    } else addEvent(history, id, body);
  }
  for (const { id, entry } of later) {
    const kit = kitOf(log, entry.kitId);
    const uncompensated = kit?.scale.form === 'digital' && !kit.scale.compensated;
    const temperature = uncompensated
      ? nearest(readings.temperature, instant(entry.at), TEMPERATURE_WINDOW)?.best
      : undefined;
    readings[entry.parameter].push(toReading(id, entry, kit, tank.zone, temperature));
  }
  for (const parameter of PARAMETER_IDS) {
    readings[parameter].sort((a, b) => a.at - b.at || a.best - b.best || (a.id < b.id ? -1 : 1));
  }
  for (const list of eventLists(history)) {
    list.sort((a, b) => a.at - b.at || (a.id < b.id ? -1 : 1));
  }
  history.start = startOf(history);
  return history;
}

function addEvent(history: TankHistory, id: string, entry: Exclude<Entry, ReadingEntry>): void {
  const at = instant(entry.at);
  switch (entry.kind) {
    case 'dose':
      history.doses.push({ id, at, entry, rise: doseRise(entry, history.netLitres) });
      return;
    case 'waterChange':
      history.waterChanges.push({
        id,
        at,
        entry,
        fraction: Math.min(1, entry.litres / history.netLitres),
      });
      return;
    case 'note':
      history.notes.push({ id, at, entry });
      return;
    case 'organics':
      history.organics.push({ id, at, entry });
      return;
    case 'media':
      history.media.push({ id, at, entry });
      return;
    case 'treatment':
      history.treatments.push({ id, at, entry });
      return;
    case 'light':
      history.lights.push({ id, at, entry });
      return;
    case 'sighting':
      history.sightings.push({ id, at, entry });
      return;
  }
}

function startOf(history: TankHistory): number | null {
  if (history.tank.filledOn) return dayStart(history.tank.filledOn, history.tank.zone);
  let first = Infinity;
  for (const parameter of PARAMETER_IDS) {
    first = Math.min(first, history.readings[parameter][0]?.at ?? Infinity);
  }
  for (const list of eventLists(history)) {
    first = Math.min(first, list[0]?.at ?? Infinity);
  }
  return Number.isFinite(first) ? first : null;
}

/** The readings that may decide something: possible values only, in order of time. */
export function countedReadings(history: TankHistory, parameter: ParameterId): Reading[] {
  return history.readings[parameter].filter((reading) => reading.counts);
}

/** The newest reading of a parameter that counts. */
export function latestReading(history: TankHistory, parameter: ParameterId): Reading | undefined {
  return countedReadings(history, parameter).at(-1);
}
