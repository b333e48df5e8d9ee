import type { TankHistory } from '../history/tankHistory';
import type { Absence } from '../records/schema/absence';
import type { RevisionOf } from '../records/schema/revision';
import type { Ask } from '../tasks/types';
import { dayOf, dayStart } from '../time/zone';
import { countOf } from '../units/format';
import { choreKey, choresOf, choreTimes, type Chore } from './chores';
import { whileAway, type Moved } from './away/away';
import { dayAfter, daysApart } from './days';
import { ruleWords, usualGap } from './rule';

/** One time of a chore, where it lies. */
export interface ChoreTime extends Moved {
  chore: Chore;
  /** Names this one time; it never changes. */
  key: string;
  /** The day it is for, whatever a journey makes of it. */
  due: string;
  lastDone: string | null;
}

/** The chores of a log, and the days on which its keeper is away. */
export interface Maintenance {
  chores: readonly RevisionOf<'chore'>[];
  absences: readonly { body: Absence }[];
}

/** The open time of each chore and those after it, until a day; at journeys where they go then. */
export function choreTimesOf(
  history: TankHistory,
  maintenance: Maintenance,
  at: number,
  until: string,
): ChoreTime[] {
  const absences: Absence[] = maintenance.absences.map(({ body }) => body);
  return choresOf(history, maintenance.chores)
    .filter(({ off }) => !off)
    .flatMap((chore) => {
      const { lastDone, open, later } = choreTimes(chore, history, at, until);
      return [open, ...later].map((due) => ({
        chore,
        due,
        lastDone,
        key: choreKey(chore.id, due),
        ...whileAway(due, lastDone, usualGap(chore.rule), chore.away, absences),
      }));
    });
}

/** "every 2 weeks on Sat; last done 12 days ago". */
function becauseOf({ chore, lastDone, how, due }: ChoreTime, today: string): string {
  if (how === 'before') return `Before you leave: it falls due while you are away`;
  if (how === 'after') return `It fell due while you were away`;
  const rule = ruleWords(chore.rule);
  const often = rule.charAt(0).toUpperCase() + rule.slice(1);
  if (lastDone === null) {
    return due <= today ? `${often}; not on record yet` : often;
  }
  const days = daysApart(lastDone, today);
  return `${often}; last done ${days <= 0 ? 'today' : `${countOf(days, 'day')} ago`}`;
}

/**
 * The next time of each chore, as something to be asked for; and those that follow it where one looks ahead.
 * @param ahead days
 */
export function choreAsks(
  history: TankHistory,
  maintenance: Maintenance,
  at: number,
  ahead = 0,
): Ask[] {
  const { zone } = history.tank;
  const today = dayOf(at, zone);
  return choreTimesOf(history, maintenance, at, dayAfter(today, ahead)).map((time) => {
    const { chore, day, key } = time;
    return {
      id: `chore/${chore.id}`,
      key,
      title: chore.name,
      because: becauseOf(time, today),
      minutes: chore.minutes,
      due: dayStart(day, zone),
      opens: chore.opens ?? { chore: chore.id },
      ...(chore.opens ? {} : { tick: true as const }),
    };
  });
}
