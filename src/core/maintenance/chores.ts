import type { Logged, TankHistory } from '../history/tankHistory';
import type { Place } from '../opens';
import { ENTRY_KINDS } from '../records/kinds';
import type { TaskMarkEntry } from '../records/kinds/taskMark';
import type { ChoreRule } from '../records/schema/chore';
import type { RevisionOf } from '../records/schema/revision';
import { dayOf, startOfDayIn } from '../time/zone';
import { occasionsOf, type Happened, type Occasions } from './occasions';
import { usualGap } from './rule';
import { USUAL, type Phase, type Usual, type WhenAway } from './usual';

/** A chore of a tank as it stands: a usual one, as the keeper changed it, or one of the keeper's own. */
export interface Chore {
  /** The id of the usual one, or that of the keeper's record. */
  id: string;
  name: string;
  why: string | null;
  minutes: number;
  litres: number | null;
  rule: ChoreRule;
  usual: Usual | null;
  /** What the keeper made of it; null while nobody changed it. */
  record: RevisionOf<'chore'> | null;
  /** Kept, and not asked for. */
  off: boolean;
  opens: Place | null;
  away: WhenAway;
}

/** What a tank is doing, as its chores see it; null for one that has none. */
export function phaseOf({ tank, standing, start }: TankHistory): Phase | null {
  if (standing.closedAt !== null || start === null) return null;
  // Quarantine asks for its own looks, tests and changes while a batch is in.
  if (tank.kind === 'quarantine') return 'idle';
  return standing.runningSince !== null || standing.animalsSince !== null ? 'running' : 'cycling';
}

/** Days between two times above which an own chore is brought forward of a journey. */
const OFTEN_DAYS = 3;
const SELDOM_DAYS = 21;

function awayOf(rule: ChoreRule): WhenAway {
  const gap = usualGap(rule);
  if (gap <= OFTEN_DAYS) return 'minder';
  return gap <= SELDOM_DAYS ? 'before' : 'after';
}

/**
 * The chores of a tank: the usual ones of its phase and its equipment, each as the keeper wants it, and
 * the keeper's own.
 * @param records chores of the log, those of other tanks among them
 */
export function choresOf(history: TankHistory, records: readonly RevisionOf<'chore'>[]): Chore[] {
  const phase = phaseOf(history);
  if (phase === null) return [];
  const kept = records.filter(({ body }) => body.tankId === history.tankId);
  const usual = USUAL.filter(
    ({ phases, has }) => phases.includes(phase) && (has?.(history) ?? true),
  ).map((one): Chore => {
    const record = kept.find(({ body }) => body.of === one.id) ?? null;
    return {
      id: one.id,
      name: record?.body.name ?? one.name,
      why: one.why,
      minutes: record?.body.minutes ?? one.minutes(history),
      litres: (record ? record.body.litres : one.litres?.(history)) ?? null,
      rule: record?.body.rule ?? one.rule(history),
      usual: one,
      record,
      off: record?.body.off ?? false,
      opens: one.opens ?? null,
      away: one.away,
    };
  });
  const own = kept
    .filter(({ body }) => body.of === undefined)
    .map((record): Chore => {
      const { name, minutes, litres, rule, off } = record.body;
      return {
        id: record.id,
        name,
        why: null,
        minutes,
        litres: litres ?? null,
        rule,
        usual: null,
        record,
        off: off ?? false,
        opens: null,
        away: awayOf(rule),
      };
    });
  return [...usual, ...own];
}

/** What begins the key of every occasion of a chore. */
const keyStart = (choreId: string) => `chore/${choreId}/`;

/** The key of one occasion of a chore, which what is said of it is kept under. */
export function choreKey(choreId: string, day: string): string {
  return `${keyStart(choreId)}${day}`;
}

/** The id of the chore that a key names an occasion of; null for another task's. */
export function choreOfKey(key: string): string | null {
  const [start, id, day] = key.split('/');
  return start === 'chore' && id !== undefined && day !== undefined ? id : null;
}

function markOf(
  { entry, at }: Logged<TaskMarkEntry>,
  start: string,
  zone: string,
): Happened | null {
  if (entry.how === 'snoozed' || !entry.task.startsWith(start)) return null;
  return { on: dayOf(at, zone), how: entry.how, of: entry.task.slice(start.length) };
}

/** Everything that says a chore was done or skipped, in order of time. */
export function happenedOf(chore: Pick<Chore, 'id' | 'usual'>, history: TankHistory): Happened[] {
  const { zone } = history.tank;
  const start = keyStart(chore.id);
  const marks = history.entries.taskMark.flatMap((mark) => {
    const happened = markOf(mark, start, zone);
    return happened ? [{ at: mark.at, happened }] : [];
  });
  const entries = (chore.usual?.logged ?? []).flatMap((kind) =>
    history.entries[kind].map(({ at }) => ({
      at,
      happened: { on: dayOf(at, zone), how: 'done' as const },
    })),
  );
  const tested = chore.usual?.tested;
  const tests = (tested ? history.readings[tested] : []).map(({ at }) => ({
    at,
    happened: { on: dayOf(at, zone), how: 'done' as const },
  }));
  return [...marks, ...entries, ...tests]
    .sort((a, b) => a.at - b.at)
    .map(({ happened }) => happened);
}

/** Since when a tank asks for a chore, as a day: since it runs, was filled, or the chore was made. */
export function askedSince(chore: Chore, history: TankHistory): string {
  const { standing, start, tank } = history;
  const runs = [standing.runningSince, standing.animalsSince].flatMap((at) => at ?? []);
  const begun =
    chore.usual && !chore.usual.phases.includes('cycling') && runs.length > 0
      ? Math.min(...runs)
      : (start ?? 0);
  const made = chore.usual ? null : chore.record?.body.rule;
  if (made?.by === 'calendar') return made.start;
  return dayOf(startOfDayIn(begun, tank.zone), tank.zone);
}

/**
 * When a chore is due and comes round after that, until a day.
 * @param at now, ms
 * @param until YYYY-MM-DD
 */
export function choreTimes(
  chore: Chore,
  history: TankHistory,
  at: number,
  until: string,
): Occasions {
  const { zone } = history.tank;
  const happened = happenedOf(chore, history).filter(({ on }) => on <= dayOf(at, zone));
  return occasionsOf(chore.rule, askedSince(chore, history), happened, dayOf(at, zone), until);
}

/** When the last entry of a tank was made, ms; null without any. */
export function lastEntryAt({ entries }: TankHistory): number | null {
  const last = ENTRY_KINDS.flatMap((kind) => entries[kind].at(-1)?.at ?? []);
  return last.length > 0 ? Math.max(...last) : null;
}
