import type { Dose, TankHistory } from '../../history/tankHistory';
import { HOUR_MS } from '../../time/zone';
import {
  failureOf,
  isPassed,
  provingDoses,
  SLACK_HOURS,
  testHoursOf,
  windowHoursOf,
} from '../verdict/criteria/challenge';
import { stillShown } from '../verdict/harm';

/** Where a challenge stands, from the log alone, so that it survives a reload. */
export type ChallengeRun =
  | { phase: 'ready' }
  | {
      phase: 'running' | 'due' | 'passed' | 'failed' | 'missed';
      dose: Dose;
      /** When both are to be tested, ms. */
      testAt: number;
      /** The last moment at which a test still counts. */
      lateAt: number;
    };

/** A challenge that ended this long ago is over; the next one may begin. */
const OVER_HOURS = 36;

/** The state of the newest dose that challenges the filter bacteria. */
export function challengeRun(whole: TankHistory, at: number): ChallengeRun {
  // A pass that was voided since is none: the next may begin.
  const { history } = stillShown(whole);
  const hours = testHoursOf(history.tank.doneRule);
  const dose = provingDoses(history).at(-1);
  if (!dose) return { phase: 'ready' };
  const testAt = dose.at + hours * HOUR_MS;
  const lateAt = testAt + SLACK_HOURS * HOUR_MS;
  if (at > lateAt + OVER_HOURS * HOUR_MS) return { phase: 'ready' };
  const base = { dose, testAt, lateAt };
  if (isPassed(history, dose, windowHoursOf(history.tank.doneRule)))
    return { phase: 'passed', ...base };
  if (at < testAt - SLACK_HOURS * HOUR_MS) return { phase: 'running', ...base };
  if (failureOf(history, dose, hours)) return { phase: 'failed', ...base };
  return { phase: at <= lateAt ? 'due' : 'missed', ...base };
}
