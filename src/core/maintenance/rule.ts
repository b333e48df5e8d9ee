import { RRule, Weekday, type Options } from 'rrule';
import type { ChoreRule } from '../records/schema/chore';
import { countOf, listWords } from '../units/format';
import { dayAfter, dayNumber, dayOfNumber } from './days';

export const WEEKDAY_WORDS = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun'] as const;

const FREQUENCIES = { day: RRule.DAILY, week: RRule.WEEKLY, month: RRule.MONTHLY };

type Calendar = Extract<ChoreRule, { by: 'calendar' }>;

/** Zoneless days are kept as midnights of the world's time, which knows no daylight-saving. */
const dateOf = (day: string) => new Date(`${day}T00:00:00.000Z`);
const dayOfDate = (date: Date) => date.toISOString().slice(0, 10);

function optionsOf({ unit, every, weekdays, start }: Calendar): Partial<Options> {
  return {
    freq: FREQUENCIES[unit],
    interval: every,
    ...(unit === 'week' && weekdays.length > 0
      ? { byweekday: weekdays.map((day) => new Weekday(day)) }
      : {}),
    // A month without that day ends a day or more early, rather than passing the chore over.
    ...(unit === 'month' ? monthOptions(start) : {}),
  };
}

/** The last of the days 28 to 31 that a month has, where the start lies there. */
function monthOptions(start: string): Partial<Options> {
  const date = Number(start.slice(8));
  if (date <= 28) return { bymonthday: [date] };
  const candidates = Array.from({ length: date - 27 }, (_, i) => 28 + i);
  return { bymonthday: candidates, bysetpos: [-1] };
}

/**
 * The days a calendar rule falls on, from one day to another, both included.
 * @param from YYYY-MM-DD
 * @param to YYYY-MM-DD
 */
export function daysOfRule(rule: Calendar, from: string, to: string): string[] {
  if (to < from) return [];
  const begin = from > rule.start ? nearStart(rule, from) : rule.start;
  const dates = new RRule({ ...optionsOf(rule), dtstart: dateOf(begin) });
  return dates.between(dateOf(from), dateOf(to), true).map(dayOfDate);
}

/** Two days that lie a whole number of intervals of each other: days far from the start need no walk. */
function nearStart({ unit, every, start }: Calendar, day: string): string {
  if (unit === 'month') return start;
  const length = every * (unit === 'week' ? 7 : 1);
  const steps = Math.max(0, Math.floor((dayNumber(day) - dayNumber(start)) / length) - 1);
  return dayOfNumber(dayNumber(start) + steps * length);
}

/** A rule as calendars write it, without its start: "FREQ=WEEKLY;INTERVAL=1;BYDAY=WE,SA". */
export function ruleText(rule: ChoreRule): string {
  const options =
    rule.by === 'days' ? { freq: RRule.DAILY, interval: rule.every } : optionsOf(rule);
  return RRule.optionsToString(options).replace(/^RRULE:/, '');
}

/** "every 2 weeks on Wed and Sat", "14 days after the last time". */
export function ruleWords(rule: ChoreRule): string {
  if (rule.by === 'days')
    return rule.every === 1 ? 'every day' : `${countOf(rule.every, 'day')} after the last time`;
  const { unit, every, weekdays, start } = rule;
  const often = every === 1 ? `every ${unit}` : `every ${countOf(every, unit)}`;
  if (unit === 'week') {
    const on = weekdays.length > 0 ? [...weekdays].sort((a, b) => a - b) : [weekdayOf(start)];
    return `${often} on ${listWords(on.map((day) => WEEKDAY_WORDS[day] ?? ''))}`;
  }
  return unit === 'month' ? `${often} on day ${Number(start.slice(8))}` : often;
}

/** The day of the week, 0 for Monday. */
export function weekdayOf(day: string): number {
  return (dateOf(day).getUTCDay() + 6) % 7;
}

/** Days between two times by a rule, about: what is often or seldom. */
export function usualGap(rule: ChoreRule): number {
  if (rule.by === 'days') return rule.every;
  const length = { day: 1, week: 7, month: 30 }[rule.unit] * rule.every;
  return rule.unit === 'week' ? length / Math.max(1, rule.weekdays.length) : length;
}

/** The first day a rule falls on after a day. */
export function nextOfRule(rule: Calendar, after: string): string {
  const span = Math.ceil(usualGap(rule)) * 2 + 62;
  const from = dayAfter(after, 1);
  const begin = from > rule.start ? from : rule.start;
  return daysOfRule(rule, begin, dayAfter(begin, span))[0] ?? begin;
}
