import { choreOfKey, choresOf, choreTimes } from '../chores';
import { daysOfRule, nextOfRule, ruleText } from '../rule';
import { laterDay } from '../days';
import type { TankHistory } from '../../history/tankHistory';
import type { Log } from '../../records/log';
import { occurrence } from '../../tasks/occurrence';
import type { Ask, Occurrence } from '../../tasks/types';
import type { Milestone } from '../../cycle/milestone';
import { dayOf, instant } from '../../time/zone';

/** Something with a date, as a calendar keeps it. */
export interface CalendarEvent {
  /** The same at every export, so that what is imported again replaces what is there. */
  uid: string;
  title: string;
  because: string;
  /** A whole day or several, YYYY-MM-DD, both included; or a moment, ms. */
  when: { from: string; until: string } | { at: number };
  /** How it comes round, as calendars write it; none where it does not. */
  rule?: string;
  minutes: number;
}

/** A tank with everything that has a date at it. */
export interface DatedTank {
  history: TankHistory;
  /** What is due at it, the next of each. */
  tasks: readonly Occurrence[];
  /** What batches, medicines and corals ask for, however far ahead. */
  asks?: readonly Ask[];
  /** Its milestones; those ahead lie in a range of days. */
  milestones?: readonly Milestone[];
}

type Dated = Pick<Log, 'chores' | 'absences' | 'runs' | 'kits'>;

/**
 * Everything that has a date: chores with their rule, the next of every other task, milestones ahead,
 * clocks that run, days away, reagents' last days. Days are without a zone, so that no calendar moves them by an hour.
 * @param tanks each with what is due at it
 * @param at now, ms
 */
export function calendarEvents(
  log: Dated,
  tanks: readonly DatedTank[],
  at: number,
): CalendarEvent[] {
  const zone = tanks[0]?.history.tank.zone ?? 'UTC';
  return [
    ...tanks.flatMap(({ history, tasks, asks = [], milestones = [] }) => [
      ...choreEvents(log, history, at),
      ...taskEvents(history, withAsks(history, tasks, asks, at), at),
      ...milestoneEvents(history, milestones, at),
      ...clockEvents(log, history, at),
    ]),
    ...log.absences
      .filter(({ body }) => body.until >= dayOf(at, zone))
      .map(({ id, body }) => ({
        uid: `absence-${id}`,
        title: 'Away from the tanks',
        because: body.minder ? `${body.minder} comes by` : 'Nobody comes by',
        when: { from: body.from, until: body.until },
        minutes: 0,
      })),
    ...log.kits
      .filter(
        ({ body }) => body.inUse && body.expiresOn !== null && body.expiresOn >= dayOf(at, zone),
      )
      .map(({ id, body }) => ({
        uid: `expiry-${id}`,
        title: `${body.name}: last day of its reagents`,
        because: 'Results past it are not to be trusted',
        when: { from: body.expiresOn ?? '', until: body.expiresOn ?? '' },
        minutes: 0,
      })),
  ];
}

function choreEvents({ chores }: Dated, history: TankHistory, at: number): CalendarEvent[] {
  const { tank, tankId } = history;
  const today = dayOf(at, tank.zone);
  return choresOf(history, chores)
    .filter(({ off }) => !off)
    .map((chore) => {
      const { open } = choreTimes(chore, history, at, today);
      const { rule } = chore;
      const first = laterDay(open, today);
      // What recurs begins on a day that its rule falls on.
      const day =
        rule.by === 'days' ? first : (daysOfRule(rule, first, first)[0] ?? nextOfRule(rule, first));
      return {
        uid: `chore-${chore.id}-${tankId}`,
        title: `${chore.name} (${tank.name})`,
        because: chore.why ?? '',
        when: { from: day, until: day },
        rule: ruleText(rule),
        minutes: chore.minutes,
      };
    });
}

/** Tasks, with what is asked for later than they list. */
function withAsks(
  { tank }: TankHistory,
  tasks: readonly Occurrence[],
  asks: readonly Ask[],
  at: number,
): Occurrence[] {
  const listed = new Set(tasks.map(({ id }) => id));
  const later = asks
    .map(({ due, ...ask }) => occurrence(ask, due, tank.zone, at))
    .filter(({ id, inDays }) => inDays > 0 && !listed.has(id));
  return [...tasks, ...later];
}

/** Milestones ahead, each over the days in which it lies eight times in ten. */
function milestoneEvents(
  { tank, tankId }: TankHistory,
  milestones: readonly Milestone[],
  at: number,
): CalendarEvent[] {
  return milestones
    .filter(({ passed, at: moment, range }) => !passed && (range?.high ?? moment) > at)
    .map(({ id, label, because, at: moment, range }) => ({
      uid: `milestone-${id}-${tankId}`,
      title: `${label} (${tank.name})`,
      because: range ? `${because}. Between these days 8 times in 10` : because,
      when: {
        from: dayOf(Math.max(at, range?.low ?? moment), tank.zone),
        until: dayOf(range?.high ?? moment, tank.zone),
      },
      minutes: 0,
    }));
}

function taskEvents(
  { tank, tankId }: TankHistory,
  tasks: readonly Occurrence[],
  at: number,
): CalendarEvent[] {
  const today = dayOf(at, tank.zone);
  return tasks
    .filter(({ key }) => choreOfKey(key) === null)
    .map((task) => {
      const day = laterDay(dayOf(task.dueOn, tank.zone), today);
      return {
        uid: `task-${task.id.replaceAll('/', '-')}-${tankId}`,
        title: `${task.title} (${tank.name})`,
        because: task.because,
        when: task.at === undefined || task.at < at ? { from: day, until: day } : { at: task.at },
        minutes: task.minutes,
      };
    });
}

function clockEvents({ runs }: Dated, { tank, tankId }: TankHistory, at: number): CalendarEvent[] {
  return runs
    .filter(({ body }) => body.tankId === tankId && body.ended === null)
    .flatMap(({ id, body }) =>
      Object.entries(body.clocks)
        .map(([clock, ends]) => ({ clock, ends: instant(ends) }))
        .filter(({ ends }) => ends > at)
        .map(({ clock, ends }) => ({
          uid: `clock-${id}-${clock}`,
          title: `The time is up (${tank.name})`,
          because: `A clock of ${body.procedure.replace(/[A-Z]/g, (letter) => ` ${letter.toLowerCase()}`)} ends`,
          when: { at: ends },
          minutes: 5,
        })),
    );
}
