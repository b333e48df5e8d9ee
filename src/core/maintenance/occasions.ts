import type { TaskMarkHow } from '../records/kinds/taskMark';
import type { ChoreRule } from '../records/schema/chore';
import { dayAfter, daysApart, laterDay } from './days';
import { daysOfRule, nextOfRule, usualGap } from './rule';

/** Something that was said of one time of a chore, or a log entry that says it was done. */
export interface Happened {
  /** The day it happened, in the tank's zone. */
  on: string;
  how: Exclude<TaskMarkHow, 'snoozed'>;
  /** The occasion it was said of, as the day that names it; none for an entry of the log. */
  of?: string;
}

/** The times of a chore that matter now. */
export interface Occasions {
  /** When it was last done; null where that is not on record. */
  lastDone: string | null;
  /** The one that is due, or next; named by its day. */
  open: string;
  /** Those that would follow it, until the day that was asked for. */
  later: string[];
}

/**
 * The open occasion of a chore and those after it. By days, each is counted from the last time it was
 * done; what was skipped is counted from the day it was skipped. By the calendar, what was done
 * answers the occasion in whose stretch it lies: each begins a third of its gap before its day, so that
 * Friday's change answers Saturday's. Whatever is answered never comes again: days only rise, and a
 * day that bears an answer is passed over.
 * @param since the day the chore began to be asked for
 * @param happened in order of time
 * @param today YYYY-MM-DD
 * @param until the last day that is looked ahead to
 */
export function occasionsOf(
  rule: ChoreRule,
  since: string,
  happened: readonly Happened[],
  today: string,
  until: string,
): Occasions {
  const lastDone = happened.findLast(({ how }) => how === 'done')?.on ?? null;
  const answered = new Set(happened.flatMap(({ of }) => of ?? []));
  if (rule.by === 'days') {
    const open = afterThese(rule.every, since, happened, answered);
    const later: string[] = [];
    for (let day = dayAfter(laterDay(open, today), rule.every); day <= until;) {
      later.push(day);
      day = dayAfter(day, rule.every);
    }
    return { lastDone, open, later };
  }
  for (const { on, of } of happened) {
    if (of === undefined) answered.add(answeredBy(rule, on));
  }
  const first = laterDay(since, dayAfter(today, -Math.ceil(usualGap(rule)) - 31));
  const days = daysOfRule(rule, first, laterDay(until, today));
  const passed = days.filter((day) => day <= today).at(-1);
  const ahead = days.filter((day) => day > today && !answered.has(day));
  const open =
    passed !== undefined && !answered.has(passed)
      ? passed
      : (ahead.shift() ?? openAfter(rule, laterDay(until, today), answered));
  return { lastDone, open, later: ahead.filter((day) => day <= until) };
}

/** The first unanswered day of a rule after a day. */
function openAfter(
  rule: Extract<ChoreRule, { by: 'calendar' }>,
  after: string,
  answered: ReadonlySet<string>,
): string {
  let day = nextOfRule(rule, after);
  while (answered.has(day)) day = nextOfRule(rule, day);
  return day;
}

/** The day of the open occasion by a rule that counts from the last time. */
function afterThese(
  every: number,
  since: string,
  happened: readonly Happened[],
  answered: ReadonlySet<string>,
): string {
  let open = dayAfter(since, every);
  const counted = new Set<string>();
  for (const { on, how, of } of happened) {
    // Two tabs may both have answered one occasion: it counts once.
    if (of !== undefined && counted.has(of)) continue;
    if (of !== undefined) counted.add(of);
    const next = dayAfter(how === 'skipped' ? laterDay(on, open) : on, every);
    // What was done before the first is no occasion of it, and an entry never brings one nearer.
    open =
      of === undefined
        ? on < since
          ? open
          : laterDay(open, next)
        : laterDay(dayAfter(open, 1), next);
  }
  while (answered.has(open)) open = dayAfter(open, 1);
  return open;
}

/** The occasion of a calendar rule that something done on a day answers. */
function answeredBy(rule: Extract<ChoreRule, { by: 'calendar' }>, on: string): string {
  const next = nextOfRule(rule, on);
  const days = daysOfRule(rule, dayAfter(on, -Math.ceil(usualGap(rule)) - 31), on);
  const passed = days.at(-1);
  if (passed === undefined) return next;
  const lead = Math.floor(daysApart(passed, next) / 3);
  return on >= dayAfter(next, -lead) ? next : passed;
}
