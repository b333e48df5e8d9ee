import type { TankHistory } from '../../history/tankHistory';
import { FOODS, FOODS_AS_FED, portionWord } from '../../records/kinds/feed';
import type { Absence } from '../../records/schema/absence';
import type { Batch } from '../../records/schema/batch';
import type { RevisionOf } from '../../records/schema/revision';
import type { Occurrence } from '../../tasks/types';
import { DAY_MS, dayOf } from '../../time/zone';
import { countOf, formatPlain } from '../../units/format';
import { evaporationPerDay } from '../../water/learned';
import { choreTimesOf } from '../choreAsks';
import { choreOfKey } from '../chores';
import { dayAfter, daysApart } from '../days';
import type { WhenAway } from '../usual';

/** When it is done: as a chore can wait, or before as it would be without a journey. */
export type AwayHow = WhenAway | 'anyway';

/** Something that falls due until its keeper is back, and where it goes. */
export interface AwayLine {
  /** The same for every time of one thing. */
  id: string;
  title: string;
  how: AwayHow;
  /** The days it is done on; those it fell due on, where it waits. */
  days: string[];
  minutes: number;
}

/** What days away mean for one tank. */
export interface AwayPlan {
  tankId: string;
  name: string;
  lines: AwayLine[];
  /** Fresh water that evaporates meanwhile, L; null where no two top-offs tell. */
  topOffLitres: number | null;
  /** What no sheet of paper can see to. */
  cannot: string[];
}

/** Tasks that only tell Zoarium something, and wait for a quiet evening. */
const WAITS = new Set(['paper', 'tell']);

/** Days that the keeper is away. */
export function daysAway({ from, until }: Pick<Absence, 'from' | 'until'>): number {
  return daysApart(from, until) + 1;
}

/**
 * What falls due at a tank while its keeper is away: done before, by who minds the tank, or left.
 * Chores go as each of them can wait; tests and additions wait for their keeper.
 * @param tasks what is due at it beside its chores
 * @param at now, ms
 */
export function awayPlan(
  history: TankHistory,
  maintenance: { chores: readonly RevisionOf<'chore'>[]; batches: readonly { body: Batch }[] },
  tasks: readonly Occurrence[],
  absence: Absence,
  at: number,
): AwayPlan {
  const { tank, tankId } = history;
  const lines = new Map<string, AwayLine>();
  const add = (id: string, title: string, how: AwayHow, day: string, minutes: number) => {
    const key = `${id}/${how}`;
    const line = lines.get(key) ?? { id, title, how, days: [], minutes };
    if (!line.days.includes(day)) line.days.push(day);
    lines.set(key, line);
  };
  const absences = [{ body: absence }];
  const times = choreTimesOf(history, { chores: maintenance.chores, absences }, at, absence.until);
  const came = dayAfter(absence.from, -1);
  const forward = new Set(times.flatMap(({ chore, how }) => (how === 'before' ? [chore.id] : [])));
  for (const { chore, how, day, due } of times) {
    if (how === 'stays') {
      // What is overdue now is done before the journey as well, unless whoever comes does it daily.
      if (due <= came && chore.away !== 'minder' && !forward.has(chore.id))
        add(chore.id, chore.name, 'anyway', came, chore.minutes);
    } else add(chore.id, chore.name, how, how === 'after' ? due : day, chore.minutes);
  }
  for (const task of tasks) {
    if (WAITS.has(task.id)) continue;
    const due = dayOf(task.dueOn, tank.zone);
    if (choreOfKey(task.key) !== null || due > absence.until) continue;
    if (task.inDays <= 0 || due < absence.from)
      add(task.id, task.title, 'anyway', came, task.minutes);
    else add(task.id, task.title, 'after', due, task.minutes);
  }
  const perDay = evaporationPerDay(history);
  const busy = maintenance.batches.some(
    ({ body }) => body.tankId === tankId && body.endedAt === null,
  );
  const cannot: string[] = [];
  if (busy) {
    cannot.push(
      'A batch is in quarantine: its daily check, its ammonia and any medicine are not for a sheet of paper. Leave once it is clear, or ask a keeper of fish in person.',
    );
  }
  if (
    history.standing.fishSince !== null &&
    history.standing.runningSince === null &&
    tank.kind !== 'quarantine'
  ) {
    cannot.push(
      'Fish in a tank that still cycles are tested for every day: not by someone new to it.',
    );
  }
  return {
    tankId,
    name: tank.name,
    lines: [...lines.values()],
    topOffLitres: perDay === null ? null : perDay.value * daysAway(absence),
    cannot,
  };
}

/** Days over which portions are counted. */
const FED_DAYS = 14;

/** "Pellets: 2 pinches a day": how it was fed lately; empty where nobody logged it. */
export function feedingWords({ entries }: TankHistory, at: number): string {
  const recent = entries.feed.filter((one) => one.at > at - FED_DAYS * DAY_MS && one.at <= at);
  const first = recent[0];
  if (!first) return '';
  const days = Math.max(1, Math.round((at - first.at) / DAY_MS));
  return FOODS.flatMap((food) => {
    const fed = recent.filter(({ entry }) => entry.food === food);
    if (fed.length === 0) return [];
    const { name, portion, portionGrams } = FOODS_AS_FED[food];
    const portions = fed.reduce(
      (sum, { entry }) =>
        sum +
        (entry.amount.by === 'portions'
          ? entry.amount.portions
          : entry.amount.grams / portionGrams),
      0,
    );
    const each = portions / days;
    if (each >= 0.75) {
      const rounded = Math.max(1, Math.round(each));
      return [`${name}: ${countOf(rounded, portion, portionWord(food))} a day`];
    }
    return [
      `${name}: one ${portion} every ${formatPlain(Math.max(2, Math.round(1 / each)), 0)} days`,
    ];
  }).join('. ');
}

/** What is usually not to be touched. */
export const LEAVE_ALONE =
  'Valves, plugs, timers and bottles stay as they are. No medicine, no additive, no extra food.';
