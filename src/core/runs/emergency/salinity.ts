import { countedReadings, type TankHistory } from '../../history/tankHistory';
import { quantileOfSorted, sortedCopy } from '../../math/quantile';
import { isHere, rosterOf } from '../../livestock/roster/roster';
import { DAY_MS } from '../../time/zone';

/** What is known of how a salinity came to be where it is. */
export const SWINGS = ['recent', 'drifted', 'unknown'] as const;
export type Swing = (typeof SWINGS)[number];

/** Changes of a day that animals take: of a swing that came over days, ppt a day. */
const A_DAY = 1;
const DOWN_WITH_FISH_ALONE = 2;
/** Of one that came within a day: they have not taken to it yet, and are brought back by the hour. */
const AN_HOUR = 0.5;
const FIRST_DAY = 3;
/** Salinity of the water that raises a tank's, ppt above the goal: mixed stronger than that burns. */
const STRONGER = 5;
/** Nearer than this it is where it belongs, ppt. */
const NEAR = 0.5;

/** How salinity is brought back. */
export interface SalinityBack {
  direction: 'down' | 'up' | 'right';
  /** Days that it takes; 0 where it is right. */
  days: number;
  /** Of the first day: by how much, ppt, and over how many hours. */
  firstDay: { ppt: number; hours: number; litres: number };
  /** Of each day after it, L of water exchanged; 0 where none is left. */
  litresADay: number;
}

/**
 * How a swing of salinity is undone, toward the salinity that the tank has otherwise. One that came over days is
 * taken back by 1 ppt a day, down by 2 where there are fish alone; one that came within a day by up to 0.5 an
 * hour and 3 in the first day, then by 1 a day. Down with fresh water in place of some of the tank's, up with
 * water mixed 5 ppt above the goal.
 * @param now ppt
 * @param goal ppt
 * @param litres net water
 */
export function salinityBack(
  now: number,
  goal: number,
  litres: number,
  { swing, fishAlone }: { swing: Swing; fishAlone: boolean },
): SalinityBack {
  const off = Math.abs(now - goal);
  const none = { ppt: 0, hours: 0, litres: 0 };
  if (off < NEAR) return { direction: 'right', days: 0, firstDay: none, litresADay: 0 };
  const down = now > goal;
  // What has to be exchanged for a step at a salinity, L.
  const exchange = (from: number, step: number) =>
    litres * Math.min(1, down ? step / from : step / (goal + STRONGER - from));
  const perDay = down && fishAlone ? DOWN_WITH_FISH_ALONE : A_DAY;
  const first = Math.min(off, swing === 'recent' ? FIRST_DAY : perDay);
  const rest = Math.ceil((off - first) / perDay - 1e-9);
  const step = rest > 0 ? (off - first) / rest : 0;
  const after = down ? now - first : now + first;
  return {
    direction: down ? 'down' : 'up',
    days: 1 + rest,
    firstDay: {
      ppt: first,
      hours: swing === 'recent' ? Math.ceil(first / AN_HOUR) : 12,
      litres: exchange(now, first),
    },
    litresADay: rest > 0 ? exchange(after, step) : 0,
  };
}

/** Readings of so long say where a tank stands otherwise, and those of so late are of the swing, days. */
const OWN_DAYS = 60;
const SWUNG_DAYS = 3;
const LEAST_READINGS = 2;

/** The salinity that a tank has otherwise, by its readings before a swing, ppt; null where too few say. */
export function ownSalinity(history: TankHistory, at: number): number | null {
  const own = countedReadings(history, 'salinity')
    .filter((one) => at - one.at < OWN_DAYS * DAY_MS && at - one.at > SWUNG_DAYS * DAY_MS)
    .map(({ best }) => best);
  return own.length < LEAST_READINGS ? null : quantileOfSorted(sortedCopy(own), 0.5);
}

/** Whether fish are all that lives in a tank. */
export function hasFishAlone(history: TankHistory): boolean {
  const here = rosterOf(history).filter(isHere);
  return here.length > 0 && here.every(({ group }) => group === 'fish');
}
