import { inPlace } from '../math/sorted';
import { instant } from '../time/zone';
import { subjectOf } from './kinds';
import type { CalibrationEntry } from './kinds/calibration';
import { continued, foldRevisions, type RecordState } from './merge';
import { compareRevisions, compareText, moreCareful, revisionKey, sameContents } from './order';
import type { Kit } from './schema/kit';
import type { Medicine } from './schema/medicine';
import type { RecordType, Revision, RevisionOf } from './schema/revision';

export { compareRevisions, revisionKey } from './order';

const SHARDS = 4096;
type Shard = Readonly<Record<string, RecordState>>;

/**
 * Every revision of every record, with the current one of each at hand. Records lie in shards by
 * their id, and entries in a list by subject and time, so that one act copies a little of the log
 * and never all of it.
 */
export interface Log {
  readonly shards: readonly Shard[];
  /** The current revisions of what is not deleted. */
  readonly tanks: readonly RevisionOf<'tank'>[];
  readonly kits: readonly RevisionOf<'kit'>[];
  readonly settings: readonly RevisionOf<'settings'>[];
  readonly runs: readonly RevisionOf<'run'>[];
  readonly wishes: readonly RevisionOf<'wish'>[];
  readonly batches: readonly RevisionOf<'batch'>[];
  /** Animals of the keeper's own, described as those of the catalogue are. */
  readonly species: readonly RevisionOf<'species'>[];
  /** Where corals stand. */
  readonly positions: readonly RevisionOf<'position'>[];
  /** What labels of medicines and binders say. */
  readonly medicines: readonly RevisionOf<'medicine'>[];
  /** Ways of quarantine of the keeper's own. */
  readonly protocols: readonly RevisionOf<'protocol'>[];
  /** Chores as the keeper wants them. */
  readonly chores: readonly RevisionOf<'chore'>[];
  /** Days away. */
  readonly absences: readonly RevisionOf<'absence'>[];
  readonly connections: readonly RevisionOf<'connection'>[];
  /** Every kit there ever was, by id, those put away or removed included: readings rest on them. */
  readonly everyKit: Readonly<Record<string, Kit>>;
  /** Every label there ever was, by id, removed ones included: what was given by them stays what it was. */
  readonly everyMedicine: Readonly<Record<string, Medicine>>;
  /** Calibrations by the kit that was checked against a standard, in order of time: readings rest on them. */
  readonly calibrations: Readonly<Record<string, readonly CalibrationEntry[]>>;
  /** Entries by what they are about, in order of their own time. */
  readonly entries: Readonly<Record<string, readonly RevisionOf<'entry'>[]>>;
  /** Records on which two corrections disagree, as they stand until that is settled. */
  readonly conflicted: readonly Revision[];
  /** Revisions in all. */
  readonly size: number;
}

export const EMPTY_LOG: Log = {
  shards: Array.from({ length: SHARDS }, () => ({})),
  tanks: [],
  kits: [],
  settings: [],
  runs: [],
  wishes: [],
  batches: [],
  species: [],
  positions: [],
  medicines: [],
  protocols: [],
  chores: [],
  absences: [],
  connections: [],
  everyKit: {},
  everyMedicine: {},
  calibrations: {},
  entries: {},
  conflicted: [],
  size: 0,
};

/** Ids differ most in their last digits. */
function shardOf(id: string): number {
  const place = Number.parseInt(id.slice(-3), 16);
  return Number.isNaN(place) ? 0 : place;
}

interface Change {
  before: Revision | undefined;
  after: Revision;
  disputed: boolean;
}

/**
 * The log with more revisions in it. Union by identity: adding what is there already changes
 * nothing, and the order of arrival does not matter. Records that gain nothing keep their identity.
 */
export function mergeRevisions(log: Log, revisions: readonly Revision[]): Log {
  const arriving = new Map<string, Revision[]>();
  for (const revision of revisions) {
    const list = arriving.get(revision.id);
    if (list) list.push(revision);
    else arriving.set(revision.id, [revision]);
  }
  const shards = [...log.shards];
  const copied = new Set<number>();
  const changes: Change[] = [];
  let size = log.size;
  for (const [id, list] of arriving) {
    const place = shardOf(id);
    const present = shards[place]?.[id];
    const state = (present && continued(present, list)) ?? folded(present?.revisions ?? [], list);
    if (!state) continue;
    if (!copied.has(place)) {
      shards[place] = { ...shards[place] };
      copied.add(place);
    }
    (shards[place] as Record<string, RecordState>)[id] = state;
    size += state.revisions.length - (present?.revisions.length ?? 0);
    changes.push({
      before: present?.head,
      after: state.head,
      disputed: state.conflicts.length > 0 && !state.head.deleted,
    });
  }
  if (changes.length === 0) return log;
  const of = <T extends RecordType>(type: T) =>
    changes.filter((change) => isType(change.after, type));
  return {
    shards,
    tanks: changedHeads(log.tanks, of('tank'), 'tank'),
    kits: changedHeads(log.kits, of('kit'), 'kit'),
    settings: changedHeads(log.settings, of('settings'), 'settings'),
    runs: changedHeads(log.runs, of('run'), 'run'),
    wishes: changedHeads(log.wishes, of('wish'), 'wish'),
    batches: changedHeads(log.batches, of('batch'), 'batch'),
    species: changedHeads(log.species, of('species'), 'species'),
    positions: changedHeads(log.positions, of('position'), 'position'),
    medicines: changedHeads(log.medicines, of('medicine'), 'medicine'),
    protocols: changedHeads(log.protocols, of('protocol'), 'protocol'),
    chores: changedHeads(log.chores, of('chore'), 'chore'),
    absences: changedHeads(log.absences, of('absence'), 'absence'),
    connections: changedHeads(log.connections, of('connection'), 'connection'),
    everyKit: withBodies(
      log.everyKit,
      changes.flatMap(({ after }) => (isType(after, 'kit') ? [[after.id, after.body]] : [])),
    ),
    everyMedicine: withBodies(
      log.everyMedicine,
      changes.flatMap(({ after }) => (isType(after, 'medicine') ? [[after.id, after.body]] : [])),
    ),
    calibrations: changedCalibrations(log, of('entry')),
    entries: changedEntries(log.entries, of('entry')),
    conflicted: changedConflicts(log.conflicted, changes),
    size,
  };
}

/** What a record comes to with more revisions; null where none is new. */
function folded(there: readonly Revision[], more: readonly Revision[]): RecordState | null {
  const all = together(there, more);
  return all && foldRevisions(all.sort(compareRevisions));
}

/**
 * The revisions of a record with more of them; null where none is new. Of two under one identity the more
 * careful counts, whichever came first.
 */
function together(there: readonly Revision[], more: readonly Revision[]): Revision[] | null {
  const byKey = new Map(there.map((revision) => [revisionKey(revision), revision]));
  let changed = false;
  for (const revision of more) {
    const key = revisionKey(revision);
    const known = byKey.get(key);
    if (known && (known === revision || sameContents(known, revision))) continue;
    const taken = known ? moreCareful(known, revision) : revision;
    if (taken === known) continue;
    byKey.set(key, taken);
    changed = true;
  }
  return changed ? [...byKey.values()] : null;
}

function changedHeads<T extends RecordType>(
  heads: readonly RevisionOf<T>[],
  changes: readonly Change[],
  type: T,
): readonly RevisionOf<T>[] {
  if (changes.length === 0) return heads;
  const gone = new Set(changes.map((change) => change.after.id));
  const next = heads.filter((head) => !gone.has(head.id));
  for (const { after } of changes) if (isType(after, type) && !after.deleted) next.push(after);
  return next.sort((a, b) => compareText(a.id, b.id));
}

/** Bodies by id, with those that changed; a removed one stays as it was last. */
function withBodies<B>(
  known: Readonly<Record<string, B>>,
  changed: readonly (readonly [id: string, body: B])[],
): Readonly<Record<string, B>> {
  return changed.length === 0 ? known : { ...known, ...Object.fromEntries(changed) };
}

function calibrationIn(head: Revision | undefined): CalibrationEntry | null {
  return head && isType(head, 'entry') && head.body.kind === 'calibration' ? head.body : null;
}

/** Calibrations are few: those of a kit are gathered anew when one of them changes. */
function changedCalibrations(log: Log, changes: readonly Change[]): Log['calibrations'] {
  const touched = changes.filter(
    ({ before, after }) => calibrationIn(before) !== null || calibrationIn(after) !== null,
  );
  if (touched.length === 0) return log.calibrations;
  const next: Record<string, CalibrationEntry[]> = {};
  for (const [kitId, list] of Object.entries(log.calibrations)) next[kitId] = [...list];
  for (const { before, after } of touched) {
    const was = before?.deleted ? null : calibrationIn(before);
    const is = after.deleted ? null : calibrationIn(after);
    if (was) next[was.kitId] = (next[was.kitId] ?? []).filter((one) => one !== was);
    if (is) (next[is.kitId] ??= []).push(is);
  }
  for (const list of Object.values(next)) {
    list.sort((a, b) => instant(a.at) - instant(b.at));
  }
  return next;
}

function changedConflicts(
  conflicted: Log['conflicted'],
  changes: readonly Change[],
): Log['conflicted'] {
  const disputed = changes.filter((change) => change.disputed).map((change) => change.after);
  if (conflicted.length === 0 && disputed.length === 0) return conflicted;
  const changed = new Set(changes.map((change) => change.after.id));
  const rest = conflicted.filter((head) => !changed.has(head.id));
  return [...rest, ...disputed].sort((a, b) => compareText(a.id, b.id));
}

/** The name under which a subject's entries lie. */
export function subjectKey({ of, id }: { of: string; id: string }): string {
  return `${of}/${id}`;
}

type EntryHead = RevisionOf<'entry'>;

function compareEntries(a: EntryHead, b: EntryHead): number {
  return instant(a.body.at) - instant(b.body.at) || compareText(a.id, b.id);
}

function changedEntries(entries: Log['entries'], changes: readonly Change[]): Log['entries'] {
  if (changes.length === 0) return entries;
  const bySubject = new Map<string, { gone: Set<string>; added: EntryHead[] }>();
  const at = (head: EntryHead) => {
    const key = subjectKey(subjectOf(head.body));
    const found = bySubject.get(key) ?? { gone: new Set<string>(), added: [] };
    bySubject.set(key, found);
    return found;
  };
  for (const { before, after } of changes) {
    if (before && isType(before, 'entry') && !before.deleted) at(before).gone.add(before.id);
    if (isType(after, 'entry') && !after.deleted) at(after).added.push(after);
  }
  const next = { ...entries };
  for (const [key, { gone, added }] of bySubject) {
    const list = next[key] ?? [];
    const rest = gone.size > 0 ? list.filter((head) => !gone.has(head.id)) : list;
    next[key] = inPlace(rest, added, compareEntries);
  }
  return next;
}

const NO_ENTRIES: readonly EntryHead[] = [];

/** The entries of a tank that are not deleted, in order of their own time. */
export function entriesOfTank(log: Log, tankId: string): readonly EntryHead[] {
  return log.entries[subjectKey({ of: 'tank', id: tankId })] ?? NO_ENTRIES;
}

/** All that is known of a record. */
export function recordOf(log: Log, id: string): RecordState | undefined {
  return log.shards[shardOf(id)]?.[id];
}

/** The current revision of a record, a tombstone included. */
export function headOf(log: Log, id: string): Revision | undefined {
  return recordOf(log, id)?.head;
}

/** The current revision of a record of a type, unless it is deleted. */
export function liveHead<T extends RecordType>(
  log: Log,
  id: string | null,
  type: T,
): RevisionOf<T> | null {
  const head = id === null ? undefined : headOf(log, id);
  return head && isType(head, type) && !head.deleted ? head : null;
}

const HEADS: { [T in RecordType]: (log: Log) => readonly RevisionOf<T>[] } = {
  tank: (log) => log.tanks,
  kit: (log) => log.kits,
  settings: (log) => log.settings,
  run: (log) => log.runs,
  wish: (log) => log.wishes,
  batch: (log) => log.batches,
  species: (log) => log.species,
  position: (log) => log.positions,
  medicine: (log) => log.medicines,
  protocol: (log) => log.protocols,
  chore: (log) => log.chores,
  absence: (log) => log.absences,
  connection: (log) => log.connections,
  entry: (log) => Object.values(log.entries).flat(),
};

/**
 * The current revisions of every record of a type that is not deleted: entries subject by subject in
 * order of their time, the rest by id.
 */
export function headsOfType<T extends RecordType>(log: Log, type: T): RevisionOf<T>[] {
  return [...HEADS[type](log)];
}

export function isType<T extends RecordType>(
  revision: Revision,
  type: T,
): revision is RevisionOf<T> {
  return revision.type === type;
}

/** Every record, in no order that means anything. */
export function* allRecords(log: Log): Generator<RecordState> {
  for (const shard of log.shards) for (const id in shard) yield shard[id] as RecordState;
}

/** All revisions of all records, in an order that depends on nothing but themselves. */
export function allRevisions(log: Log): Revision[] {
  return [...allRecords(log)]
    .sort((a, b) => compareText(a.head.id, b.head.id))
    .flatMap((record) => [...record.revisions]);
}
