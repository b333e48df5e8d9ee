import { cycleProblem } from '../../core/cycle/problem/problem';
import type { CycleProblem } from '../../core/cycle/problem/types';
import { tankHistory } from '../../core/history/derive';
import { DAY_MS } from '../../core/time/zone';
import { FILLED } from '../logBuilder';
import { logOf, PER_N, USUAL_STEPS, type Life } from './keeper';
import { runReef, STARTS, trueReadyDay, type HeldOutMethod, type Reef } from './reef';

/** A middling tank of a method, without any luck: what a scenario changes on purpose. */
export function middlingReef(method: HeldOutMethod, changes: Partial<Reef> = {}): Reef {
  const start = STARTS[method];
  return {
    method,
    quick: start[0],
    slow: start[1],
    nitriteGuild: start[2],
    quickGrowth: 0.95,
    slowGrowth: 0.5,
    nitriteGrowth: 0.68,
    quickHalf: 0.6,
    slowHalf: 0.08,
    nitriteHalf: 0.4,
    nitriteInhibition: 0.35,
    quickInhibition: 1.5,
    decay: 0.055,
    lagDays: 2,
    labile: 0.12,
    stubborn: 0.15,
    uptake: 0.012,
    ceiling: 15,
    doseError: 1,
    ownDoseSd: 0,
    ph: 8.1,
    phSwing: 0.1,
    alkalinity: 8.2,
    temperature: new Float64Array(150 * 24).fill(25.5),
    ...changes,
  };
}

function nearest(value: number, steps: readonly number[]): number {
  const eye = (v: number) => Math.log(v + 0.12);
  return steps.reduce((best, step) =>
    Math.abs(eye(step) - eye(value)) < Math.abs(eye(best) - eye(value)) ? step : best,
  );
}

/** A careful keeper: tests every `every` days and reads every step as it is. */
export function plainLife(
  reef: Reef,
  doses: Life['doses'],
  options: { every?: number; days?: number; ammoniaBias?: number; nitriteBias?: number } = {},
): Life {
  const { every = 2, days = 60, ammoniaBias = 1, nitriteBias = 1 } = options;
  const course = runReef(reef, doses);
  const testSessions: Life['testSessions'] = [];
  for (let day = 1.3; day < days; day += every) {
    const at = (series: Float64Array) => series[Math.round(day * 24)] ?? 0;
    testSessions.push({
      day,
      ammonia: nearest(at(course.ammonia) * PER_N.ammonia * ammoniaBias, USUAL_STEPS.ammonia),
      nitrite: nearest(at(course.nitrite) * PER_N.nitrite * nitriteBias, USUAL_STEPS.nitrite),
      nitrate: null,
    });
  }
  return {
    reef,
    keeper: {
      ammoniaBias,
      nitriteBias,
      scatter: 0,
      blunder: 0,
      kits: 'usualCards',
      every,
      skips: 0,
      dose: doses[0]?.believed ?? 0,
      doses: doses.length,
    },
    doses: [...doses],
    course,
    readyDay: trueReadyDay(course),
    testSessions,
  };
}

/** A bottled tank on day 25, tested 20 times for ammonia and nitrite: 40 readings. */
export function fortyReadings(): CycleProblem {
  const life = plainLife(
    middlingReef('bottle'),
    [
      { day: 1, believed: 1.6 },
      { day: 12, believed: 1.6 },
    ],
    {
      every: 1.2,
      days: 25,
    },
  );
  const log = logOf(life, 25);
  const at = FILLED + 25 * DAY_MS;
  return cycleProblem(tankHistory(log.log(), log.tankId, at), at);
}
