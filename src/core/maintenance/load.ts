import type { TankHistory } from '../history/tankHistory';
import { dayOf } from '../time/zone';
import { choreTimesOf, type Maintenance } from './choreAsks';
import { choresOf } from './chores';
import { dayAfter, dayNumber, dayOfNumber } from './days';
import { usualGap, weekdayOf } from './rule';

/** What chores ask of one week. */
export interface WeekLoad {
  /** Its Monday, YYYY-MM-DD. */
  monday: string;
  minutes: number;
  /** New salt water, L. */
  litres: number;
  /** Minutes of each tank, by its id. */
  byTank: Record<string, number>;
}

function mondayOf(day: string): string {
  return dayOfNumber(dayNumber(day) - weekdayOf(day));
}

/**
 * The load of the coming weeks, the running one first: minutes and litres that chores take, by tank and
 * together. What is overdue counts to the running week.
 * @param at now, ms
 */
export function loadOf(
  histories: readonly TankHistory[],
  maintenance: Maintenance,
  at: number,
  weeks: number,
): WeekLoad[] {
  const zone = histories[0]?.tank.zone ?? 'UTC';
  const first = mondayOf(dayOf(at, zone));
  const list = Array.from({ length: weeks }, (_, i): WeekLoad => ({
    monday: dayAfter(first, 7 * i),
    minutes: 0,
    litres: 0,
    byTank: {},
  }));
  const end = dayAfter(first, 7 * weeks - 1);
  for (const history of histories) {
    for (const { day, chore } of choreTimesOf(history, maintenance, at, end)) {
      const place = Math.max(0, Math.floor((dayNumber(day) - dayNumber(first)) / 7));
      const week = list[place];
      if (!week) continue;
      week.minutes += chore.minutes;
      week.litres += chore.litres ?? 0;
      week.byTank[history.tankId] = (week.byTank[history.tankId] ?? 0) + chore.minutes;
    }
  }
  return list;
}

/** What the chores of a tank take in a usual week: minutes, and litres of new salt water. */
export function upkeepOf(
  history: TankHistory,
  maintenance: Pick<Maintenance, 'chores'>,
): { minutes: number; litres: number } {
  let minutes = 0;
  let litres = 0;
  for (const chore of choresOf(history, maintenance.chores)) {
    if (chore.off) continue;
    const times = 7 / usualGap(chore.rule);
    minutes += chore.minutes * times;
    litres += (chore.litres ?? 0) * times;
  }
  return { minutes, litres };
}
