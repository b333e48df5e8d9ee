import { PARAMETER_IDS, type ParameterId } from '../parameters/registry';
import { checksOf } from '../instruments/correction';
import { ENTRY_KINDS, entryTouches, type EntryKind, type EntryOf } from '../records/kinds';
import type { CalibrationEntry } from '../records/kinds/calibration';
import type { ReadingEntry } from '../records/kinds/reading';
import { inPlace } from '../math/sorted';
import { sharedEnds } from './perList';
import { entriesOfTank, headOf, isType, type Log } from '../records/log';
import type { Medicine } from '../records/schema/medicine';
import type { Kit } from '../records/schema/kit';
import type { RevisionOf } from '../records/schema/revision';
import type { Tank } from '../records/schema/tank';
import { HOUR_MS, instant } from '../time/zone';
import { netVolume } from '../water/volume';
import { toReading, type Reading } from './reading';
import { standingOf } from './standing';
import { nearestReading, type Logged, type TankEntries, type TankHistory } from './tankHistory';

type Heads = readonly RevisionOf<'entry'>[];

/** All that a tank's history is derived from. */
export interface HistorySource {
  tankId: string;
  tank: Tank;
  /** Its entries in order of time. */
  heads: Heads;
  /** Every kit there ever was, by id. */
  kits: Readonly<Record<string, Kit>>;
  /** Every label of a medicine there ever was, by id. */
  medicines: Readonly<Record<string, Medicine>>;
  /** Calibrations of each kit, in order of time. */
  calibrations: Log['calibrations'];
}

/** A history with what it was derived from, so that the next one can begin there. */
export interface Derived {
  source: HistorySource;
  history: TankHistory;
}

/** How near in time a temperature speaks for an instrument that does not correct for it itself. */
const TEMPERATURE_WINDOW = 2 * HOUR_MS;
/** Entries that may differ for the rest of a history to be taken over. */
const FEW = 48;

function byTime(a: { id: string; at: number }, b: { id: string; at: number }): number {
  return a.at - b.at || (a.id < b.id ? -1 : 1);
}

/** Of readings made at one moment the higher comes last, so that it is the one that counts. */
function byTimeAndValue(a: Reading, b: Reading): number {
  return a.at - b.at || a.best - b.best || (a.id < b.id ? -1 : 1);
}

/**
 * The history of a tank up to a moment. The order its entries were made in does not matter: they
 * sort by their own time.
 * @param moment entries after this instant are left out
 * @throws RangeError when the log has no such tank
 */
export function tankHistory(log: Log, tankId: string, moment = Infinity): TankHistory {
  const head = headOf(log, tankId);
  if (!head || !isType(head, 'tank')) throw new RangeError('The log has no such tank.');
  const all = entriesOfTank(log, tankId);
  const count = entriesUntil(all, moment);
  const heads = count === all.length ? all : all.slice(0, count);
  const { everyKit: kits, everyMedicine: medicines, calibrations } = log;
  return deriveHistory({
    tankId,
    tank: head.body,
    heads,
    kits,
    medicines,
    calibrations: calibrationsUntil(calibrations, moment),
  }).history;
}

/** What was known of the instruments by a moment; the same object where nothing lies ahead of it. */
export function calibrationsUntil(all: Log['calibrations'], moment: number): Log['calibrations'] {
  const early = (entry: CalibrationEntry) => instant(entry.at) <= moment;
  if (Object.values(all).every((list) => list.every(early))) return all;
  return Object.fromEntries(
    Object.entries(all).map(([kitId, list]) => [kitId, list.filter(early)]),
  );
}

/** How many of a list of entries in order of time lie at or before a moment. */
export function entriesUntil(heads: Heads, moment: number): number {
  let low = 0;
  let high = heads.length;
  while (low < high) {
    const middle = (low + high) >> 1;
    const head = heads[middle];
    if (head && instant(head.body.at) <= moment) low = middle + 1;
    else high = middle;
  }
  return low;
}

/**
 * Derives a history: from the one before it where only a few entries differ, else anew. Both ways
 * give the same, which a test holds.
 */
export function deriveHistory(source: HistorySource, before: Derived | null = null): Derived {
  const known =
    before &&
    before.source.tank === source.tank &&
    before.source.kits === source.kits &&
    before.source.medicines === source.medicines &&
    before.source.calibrations === source.calibrations
      ? before
      : null;
  const difference = known && differenceOf(known.source.heads, source.heads);
  const history =
    known && difference ? changed(known.history, source, difference) : derivedAnew(source);
  return { source, history };
}

interface Difference {
  removed: Logged[];
  added: Logged[];
}

function loggedOf({ id, body }: RevisionOf<'entry'>): Logged {
  return { id, at: instant(body.at), entry: body };
}

/** What two lists differ by between what they share at both ends; null when it is much. */
function differenceOf(before: Heads, after: Heads): Difference | null {
  const { start: first, end: last } = sharedEnds(before, after);
  const removed = before.slice(first, before.length - last);
  const added = after.slice(first, after.length - last);
  // What only goes on at the end costs no more one by one than anew, however much it is.
  const goesOn = removed.length === 0 && first === before.length && first > 0;
  if (!goesOn && removed.length + added.length > FEW) return null;
  return { removed: removed.map(loggedOf), added: added.map(loggedOf) };
}

function emptyEntries(): TankEntries {
  const lists: Partial<Record<EntryKind, never[]>> = {};
  for (const kind of ENTRY_KINDS) lists[kind] = [];
  return lists as TankEntries;
}

function emptyReadings(): Record<ParameterId, Reading[]> {
  const lists: Partial<Record<ParameterId, Reading[]>> = {};
  for (const id of PARAMETER_IDS) lists[id] = [];
  return lists as Record<ParameterId, Reading[]>;
}

function put<K extends EntryKind>(entries: TankEntries, logged: Logged<EntryOf<K>>, kind: K): void {
  entries[kind].push(logged);
}

/** Temperature of a tank's water near a moment, °C; undefined where nobody measured it. */
export function waterTemperature(history: TankHistory, at: number): number | undefined {
  const counted = history.readings.temperature.filter((reading) => reading.counts);
  return nearestReading(counted, at, TEMPERATURE_WINDOW)?.best;
}

function isReading(logged: Logged): logged is Logged<ReadingEntry> {
  return logged.entry.kind === 'reading';
}

function uncompensated(kit: Kit | undefined): boolean {
  return kit?.scale.form === 'digital' && !kit.scale.compensated;
}

function readingOf(
  { id, at, entry }: Logged<ReadingEntry>,
  { kits, tank, calibrations }: HistorySource,
  temperatures: readonly Reading[],
): Reading {
  const kit = kits[entry.kitId];
  const near = uncompensated(kit)
    ? nearestReading(temperatures, at, TEMPERATURE_WINDOW)
    : undefined;
  return toReading(id, entry, kit, tank.zone, near?.best, checksOf(calibrations, entry.kitId));
}

function derivedAnew(source: HistorySource): TankHistory {
  const entries = emptyEntries();
  for (const head of source.heads) put(entries, loggedOf(head), head.body.kind);
  const readings = emptyReadings();
  const temperatures = readings.temperature;
  for (const logged of entries.reading) {
    if (logged.entry.parameter === 'temperature') temperatures.push(readingOf(logged, source, []));
  }
  temperatures.sort(byTimeAndValue);
  const counted = temperatures.filter((reading) => reading.counts);
  for (const logged of entries.reading) {
    const { parameter } = logged.entry;
    if (parameter !== 'temperature') readings[parameter].push(readingOf(logged, source, counted));
  }
  for (const parameter of PARAMETER_IDS) readings[parameter].sort(byTimeAndValue);
  return completed(source, entries, readings, kitsOf(entries, source));
}

function kitsOf(entries: TankEntries, source: HistorySource): Record<string, Kit> {
  const kits: Record<string, Kit> = {};
  for (const { entry } of entries.reading) {
    const kit = source.kits[entry.kitId];
    if (kit) kits[entry.kitId] = kit;
  }
  return kits;
}

function changed(
  before: TankHistory,
  source: HistorySource,
  { removed, added }: Difference,
): TankHistory {
  const gone = new Set(removed.map((logged) => logged.id));
  const entries = { ...before.entries };
  for (const kind of new Set([...removed, ...added].map(({ entry }) => entry.kind))) {
    changeKind(entries, kind, gone, added);
  }
  const readings = { ...before.readings };
  const kits = removed.some(isReading) ? kitsOf(entries, source) : { ...before.kits };
  const fresh = added.filter(isReading);
  const touched = new Set([...removed.filter(isReading), ...fresh].map((l) => l.entry.parameter));
  for (const parameter of touched) {
    readings[parameter] = without(readings[parameter], gone);
  }
  for (const { entry } of fresh) {
    const kit = source.kits[entry.kitId];
    if (kit) kits[entry.kitId] = kit;
  }
  const [temperature, rest] = [
    fresh.filter(isTemperature),
    fresh.filter((one) => !isTemperature(one)),
  ];
  addReadings(readings, temperature, source, []);
  const counted = () => readings.temperature.filter((reading) => reading.counts);
  addReadings(readings, rest, source, rest.some(isUncompensated(source)) ? counted() : []);
  if (touched.has('temperature')) recompensate(readings, entries, source, counted());
  return completed(source, entries, readings, kits);
}

function isTemperature({ entry }: Logged<ReadingEntry>): boolean {
  return entry.parameter === 'temperature';
}

function isUncompensated({ kits }: HistorySource) {
  return ({ entry }: Logged<ReadingEntry>) => uncompensated(kits[entry.kitId]);
}

/** Reads what was logged and puts it in its places, one copy a parameter. */
function addReadings(
  readings: Record<ParameterId, Reading[]>,
  fresh: readonly Logged<ReadingEntry>[],
  source: HistorySource,
  temperatures: readonly Reading[],
): void {
  for (const parameter of new Set(fresh.map(({ entry }) => entry.parameter))) {
    const read = fresh
      .filter(({ entry }) => entry.parameter === parameter)
      .map((logged) => readingOf(logged, source, temperatures));
    readings[parameter] = inPlace(readings[parameter], read, byTimeAndValue);
  }
}

/** A list without what is gone, itself where nothing is. */
function without<T extends { id: string }>(list: T[], gone: ReadonlySet<string>): T[] {
  return gone.size === 0 ? list : list.filter(({ id }) => !gone.has(id));
}

function changeKind<K extends EntryKind>(
  entries: { [P in K]: Logged<EntryOf<P>>[] },
  kind: K,
  gone: ReadonlySet<string>,
  added: readonly Logged[],
): void {
  const fresh = added.filter((logged) => isOfKind(logged, kind));
  entries[kind] = inPlace(without(entries[kind], gone), fresh, byTime);
}

function isOfKind<K extends EntryKind>(logged: Logged, kind: K): logged is Logged<EntryOf<K>> {
  return logged.entry.kind === kind;
}

/** Reads again what was read without its own correction, since the water's temperature is known anew. */
function recompensate(
  readings: Record<ParameterId, Reading[]>,
  entries: TankEntries,
  source: HistorySource,
  temperatures: readonly Reading[],
): void {
  const again = entries.reading.filter(
    (logged) => isUncompensated(source)(logged) && !isTemperature(logged),
  );
  const ids = new Set(again.map((logged) => logged.id));
  for (const parameter of new Set(again.map(({ entry }) => entry.parameter))) {
    readings[parameter] = readings[parameter].filter((reading) => !ids.has(reading.id));
  }
  addReadings(readings, again, source, temperatures);
}

function completed(
  { tankId, tank, medicines }: HistorySource,
  entries: TankEntries,
  readings: TankHistory['readings'],
  kits: TankHistory['kits'],
): TankHistory {
  const standing = standingOf(entries);
  return {
    tankId,
    tank,
    netLitres: netVolume(tank.volume).net,
    start: standing.filledAt ?? firstMoment(entries),
    readings,
    entries,
    standing,
    kits,
    medicines: medicinesOf(entries, medicines),
  };
}

/** The labels that medicines were given by here. */
function medicinesOf(
  { medication }: TankEntries,
  all: HistorySource['medicines'],
): Record<string, Medicine> {
  const used: Record<string, Medicine> = {};
  for (const { entry } of medication) {
    const label = all[entry.medicineId];
    if (label) used[entry.medicineId] = label;
  }
  return used;
}

/** A lid on an empty tank is no beginning of its life, nor is water that waits in a barrel. */
function onlyReadied({ entry }: Logged): boolean {
  const touches = entryTouches(entry);
  if (entry.kind === 'taskMark') return true;
  return (
    touches.length > 0 && touches.every((touch) => touch === 'equipment' || touch === 'supplies')
  );
}

function firstMoment(entries: TankEntries): number | null {
  let first = Infinity;
  for (const kind of ENTRY_KINDS) {
    const earliest = entries[kind][0];
    if (earliest && !onlyReadied(earliest)) first = Math.min(first, earliest.at);
  }
  return Number.isFinite(first) ? first : null;
}
