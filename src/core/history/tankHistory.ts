import type { ParameterId } from '../parameters/registry';
import { ENTRY_KINDS, type EntryKind } from '../records/kinds';
import { doseRise, type DoseEntry } from '../records/kinds/dose';
import type { EffectContext } from '../records/kinds/effect';
import type { WordsContext } from '../records/kinds/kind';
import { changedShare, type WaterChangeEntry } from '../records/kinds/waterChange';
import type { Medicine } from '../records/schema/medicine';
import type { Kit } from '../records/schema/kit';
import type { Tank } from '../records/schema/tank';
import type { Reading } from './reading';
import { allBut } from './perList';
import type { Logged, TankEntries } from './logged';
import type { Standing } from './standing';

export type { Logged, TankEntries } from './logged';

export type Dose = Logged<DoseEntry>;
export type WaterChange = Logged<WaterChangeEntry>;

/** Everything a log says about one tank up to some moment, in order of time. */
export interface TankHistory {
  tankId: string;
  tank: Tank;
  netLitres: number;
  /** When it was filled, else the first entry; null for a tank with neither. */
  start: number | null;
  readings: Record<ParameterId, Reading[]>;
  /** Every entry by its kind. */
  entries: TankEntries;
  /** What is so at its end: filled, lid, light, fish. */
  standing: Standing;
  /** The kits its readings were made with, by id, those put away or removed included. */
  kits: Record<string, Kit>;
  /** The labels that medicines were given by, by id. */
  medicines: Record<string, Medicine>;
}

/** Rise of total ammonia that a dose made in this tank, mg N/L; null where nobody knows. */
export function riseOf(dose: Logged<DoseEntry>, history: TankHistory): number | null {
  return doseRise(dose.entry, history.netLitres);
}

/** Share of this tank's net water that a change replaced, 0 to 1. */
export function shareOf(change: Logged<WaterChangeEntry>, history: TankHistory): number {
  return changedShare(change.entry.litres, history.netLitres);
}

/** Whether any entry of this kind is on record. */
export function hasEntry(history: TankHistory, kind: EntryKind): boolean {
  return history.entries[kind].length > 0;
}

/** Every entry of a tank in order of time, its readings among them. */
export function everyEntry(history: TankHistory): Logged[] {
  return ENTRY_KINDS.flatMap((kind): Logged[] => history.entries[kind]).sort(
    (a, b) => a.at - b.at || (a.id < b.id ? -1 : 1),
  );
}

/** What the effects of a tank's entries need to know. */
export function effectContext(history: TankHistory): EffectContext {
  return {
    netLitres: history.netLitres,
    kitOf: (id) => history.kits[id],
    medicineOf: (id) => history.medicines[id],
  };
}

/** What the words of a tank's entries need to know. */
export function wordsContext(history: TankHistory): WordsContext {
  return {
    netLitres: history.netLitres,
    zone: history.tank.zone,
    kitOf: (id) => history.kits[id],
  };
}

/**
 * The reading nearest to a moment, no further off than `within`.
 * @param readings in order of time
 */
export function nearestReading(
  readings: readonly Reading[],
  at: number,
  within: number,
): Reading | undefined {
  let found: Reading | undefined;
  for (let i = firstFrom(readings, at - within); i < readings.length; i += 1) {
    const item = readings[i];
    if (!item || item.at > at + within) break;
    if (!found || Math.abs(item.at - at) < Math.abs(found.at - at)) found = item;
  }
  return found;
}

/** The place of the first item at or after a moment, among items in order of time. */
export function firstFrom(items: readonly { at: number }[], at: number): number {
  let low = 0;
  let high = items.length;
  while (low < high) {
    const middle = (low + high) >> 1;
    if ((items[middle]?.at ?? Infinity) < at) low = middle + 1;
    else high = middle;
  }
  return low;
}

/** The readings that may decide something: possible values only, in order of time. */
export function countedReadings(
  history: Pick<TankHistory, 'readings'>,
  parameter: ParameterId,
): readonly Reading[] {
  return counted(history.readings[parameter]);
}

const counted = allBut((reading: Reading) => !reading.counts);

/** The newest reading of a parameter that counts. */
export function latestReading(history: TankHistory, parameter: ParameterId): Reading | undefined {
  return history.readings[parameter].findLast((reading) => reading.counts);
}
