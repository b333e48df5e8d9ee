import { latestReading, type TankHistory } from '../history/tankHistory';
import type { NextTest } from '../cycle/forecast/types';
import type { Verdict } from '../cycle/verdict/types';
import { PARAMETERS, type ParameterId } from '../parameters/registry';
import { addDaysIn, daysBetween, startOfDayIn } from '../time/zone';
import { countOf } from '../units/format';

/** What is due on a tank, and why. */
export interface DueTask {
  id: string;
  kind: 'test' | 'fitLid' | 'verifyHeater' | 'replaceKit';
  title: string;
  because: string;
  /** The calendar day it falls due, as midnight in the tank's zone; may lie in the past. */
  dueOn: number;
  /** Days from today; negative when overdue. */
  inDays: number;
  /** Minutes it takes, roughly. */
  minutes: number;
  parameters: ParameterId[];
}

/** Days between two tests of a parameter, by what the tank is doing; null when it is not asked for. */
type Cadence = Record<ParameterId, number | null>;

const CYCLING: Cadence = {
  ammonia: 2,
  nitrite: 2,
  nitrate: 7,
  ph: 7,
  alkalinity: 7,
  salinity: 5,
  temperature: 2,
  phosphate: null,
  calcium: null,
  magnesium: null,
};

const RUNNING: Cadence = {
  ammonia: 30,
  nitrite: null,
  nitrate: 14,
  ph: null,
  alkalinity: 7,
  salinity: 7,
  temperature: 2,
  phosphate: 14,
  calcium: 30,
  magnesium: 30,
};

const MINUTES: Record<ParameterId, number> = {
  ammonia: 6,
  nitrite: 6,
  nitrate: 8,
  ph: 1,
  alkalinity: 3,
  salinity: 1,
  temperature: 1,
  phosphate: 5,
  calcium: 5,
  magnesium: 5,
};

/** Ammonia need not be followed daily once it is clear and nothing more was dosed. */
function cyclingInterval(parameter: ParameterId, verdict: Verdict): number | null {
  if (parameter === 'ammonia') {
    const clear = verdict.criteria.find((c) => c.id === 'ammoniaZero');
    const nitrite = verdict.criteria.find((c) => c.id === 'nitriteZero');
    if (clear?.state === 'met' && nitrite?.state !== 'met') return 4;
  }
  return CYCLING[parameter];
}

/** The test that the forecast asks for, as a task. */
function nextTestTask(next: NextTest, zone: string, at: number): DueTask {
  const dueOn = startOfDayIn(next.at, zone);
  return {
    id: `next-${next.parameter}`,
    kind: 'test',
    title: `Test ${PARAMETERS[next.parameter].inSentence}`,
    because:
      next.purpose === 'confirm'
        ? 'It is likely clear by then, and a zero would show it'
        : 'The test that tells most about the date',
    dueOn,
    inDays: Math.max(0, daysBetween(at, dueOn, zone)),
    minutes: MINUTES[next.parameter],
    parameters: [next.parameter],
  };
}

/** What the forecast decides on while a tank cycles; the rest keeps its cadence. */
const BY_FORECAST: readonly ParameterId[] = ['ammonia', 'nitrite', 'nitrate'];

/**
 * What is due on a tank, most pressing first: while it cycles the test that the forecast finds worth
 * most, and for the rest a plain cadence.
 * @param kits parameters the keeper owns a kit for; others are not asked for
 * @param at now, ms
 * @param next of the forecast; without one everything keeps its cadence
 */
export function dueTasks(
  history: TankHistory,
  verdict: Verdict,
  kits: ReadonlySet<ParameterId>,
  at: number,
  next: NextTest | null = null,
): DueTask[] {
  const zone = history.tank.zone;
  const running = history.tank.runningSince !== null;
  const today = startOfDayIn(at, zone);
  const tasks: DueTask[] = [];
  // Fish in a cycling tank are watched daily, whatever a forecast finds worth its reagent.
  const watched = history.tank.fishInSince !== undefined;
  const guided = next !== null && !running && !watched;
  if (guided && kits.has(next.parameter)) tasks.push(nextTestTask(next, zone, at));
  if (history.tank.kind !== 'quarantine' || history.start !== null) {
    for (const parameter of Object.keys(CYCLING) as ParameterId[]) {
      if (guided && BY_FORECAST.includes(parameter)) continue;
      const every = running
        ? RUNNING[parameter]
        : watched && parameter === 'ammonia'
          ? 1
          : cyclingInterval(parameter, verdict);
      if (every === null || !kits.has(parameter)) continue;
      const last = latestReading(history, parameter);
      const dueOn = last ? addDaysIn(startOfDayIn(last.at, zone), every, zone) : today;
      const age = last ? daysBetween(last.at, at, zone) : null;
      tasks.push({
        id: `test-${parameter}`,
        kind: 'test',
        title: `Test ${PARAMETERS[parameter].inSentence}`,
        because:
          age === null
            ? 'Not tested yet'
            : `Last tested ${age === 0 ? 'today' : `${countOf(age, 'day')} ago`}; every ${countOf(every, 'day')}`,
        dueOn,
        inDays: daysBetween(at, dueOn, zone),
        minutes: MINUTES[parameter],
        parameters: [parameter],
      });
    }
  }
  if (verdict.criteria.some((c) => c.id === 'lid' && c.state !== 'met')) {
    tasks.push({
      id: 'lid',
      kind: 'fitLid',
      title: 'Fit a lid or mesh',
      because: 'Before the first fish: every new fish jumps when stressed',
      dueOn: today,
      inDays: 6,
      minutes: 15,
      parameters: [],
    });
  }
  if (verdict.criteria.some((c) => c.id === 'heater' && c.state !== 'met')) {
    tasks.push({
      id: 'heater',
      kind: 'verifyHeater',
      title: 'Hold the heater against a thermometer',
      because: 'Before the first fish: the dial may lie by degrees',
      dueOn: today,
      inDays: 6,
      minutes: 5,
      parameters: [],
    });
  }
  return tasks.sort((a, b) => a.inDays - b.inDays);
}

/** "now", "today", "tomorrow", "in 3 days": when a task is due. */
export function dueWords(inDays: number): string {
  if (inDays < 0) return 'now';
  if (inDays === 0) return 'today';
  if (inDays === 1) return 'tomorrow';
  if (inDays <= 3) return `in ${inDays} days`;
  return inDays <= 7 ? 'this week' : `in ${inDays} days`;
}
