import { latestReading, type TankHistory } from '../history/tankHistory';
import type { Verdict } from '../cycle/verdict/types';
import { PARAMETER_IDS, PARAMETERS, type ParameterId } from '../parameters/registry';
import { addDaysIn, daysBetween, startOfDayIn } from '../time/zone';
import { countOf } from '../units/format';
import type { DueTask } from './types';

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

/** Minutes that a test of each takes. */
export const TEST_MINUTES: Record<ParameterId, number> = {
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

/** Days between two tests of a cycle that is done and waits for its first fish. */
const CYCLED_EVERY = 7;

/** Ammonia need not be followed daily once it is clear and nothing more was dosed. */
function cyclingInterval(parameter: ParameterId, verdict: Verdict): number | null {
  if (verdict.cycled && (parameter === 'ammonia' || parameter === 'nitrite')) return CYCLED_EVERY;
  if (parameter === 'ammonia') {
    const clear = verdict.criteria.find((c) => c.id === 'ammoniaZero');
    const nitrite = verdict.criteria.find((c) => c.id === 'nitriteZero');
    if (clear?.state === 'met' && nitrite?.state !== 'met') return 4;
  }
  return CYCLING[parameter];
}

/**
 * Tests by a plain cadence.
 * @param kits parameters the keeper owns a kit for; others are not asked for
 * @param skip parameters that something better than a cadence decides on
 */
export function cadenceTasks(
  history: TankHistory,
  verdict: Verdict,
  kits: ReadonlySet<ParameterId>,
  skip: readonly ParameterId[],
  at: number,
): DueTask[] {
  const { tank } = history;
  if (tank.kind === 'quarantine' && history.start === null) return [];
  const { zone } = tank;
  const running = tank.runningSince !== null;
  // Fish in a cycling tank are watched daily, whatever a forecast finds worth its reagent.
  const watched = !running && tank.fishInSince !== undefined;
  const today = startOfDayIn(at, zone);
  return PARAMETER_IDS.flatMap((parameter): DueTask[] => {
    if (skip.includes(parameter) || !kits.has(parameter)) return [];
    const every = running
      ? RUNNING[parameter]
      : watched && parameter === 'ammonia'
        ? 1
        : cyclingInterval(parameter, verdict);
    if (every === null) return [];
    const last = latestReading(history, parameter);
    const dueOn = last ? addDaysIn(startOfDayIn(last.at, zone), every, zone) : today;
    const age = last ? daysBetween(last.at, at, zone) : null;
    return [
      {
        id: `test-${parameter}`,
        kind: 'test',
        title: `Test ${PARAMETERS[parameter].inSentence}`,
        because:
          age === null
            ? 'Not tested yet'
            : `Last tested ${age === 0 ? 'today' : `${countOf(age, 'day')} ago`}; every ${countOf(every, 'day')}`,
        dueOn,
        inDays: daysBetween(at, dueOn, zone),
        minutes: TEST_MINUTES[parameter],
        parameters: [parameter],
      },
    ];
  });
}
