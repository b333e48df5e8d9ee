import { leastRise, SLACK_HOURS } from '../../cycle/verdict/criteria/challenge';
import type { TankHistory } from '../../history/tankHistory';
import type { EntryBody } from '../../records/kinds';
import { doseRise } from '../../records/kinds/dose';
import type { ReadingEntry } from '../../records/kinds/reading';
import type { Run } from '../../records/schema/run';
import { HOUR_MS, instant } from '../../time/zone';

/** The clock of a challenge, by its id. */
export const CHALLENGE_CLOCK = 'test';

/**
 * The run that a dose begins, when it is one of the challenge that the tank's rule for done asks for: it
 * has its dose, and a clock until both are to be tested.
 * @param at ISO instant of the dose
 */
export function challengeOf(history: TankHistory, dosed: EntryBody, at: string): Run | null {
  const { doneRule } = history.tank;
  if (doneRule.rule !== 'challenge' || dosed.kind !== 'dose') return null;
  if ((doseRise(dosed, history.netLitres) ?? 0) < leastRise(doneRule)) return null;
  const ends = new Date(instant(at) + doneRule.windowHours * HOUR_MS).toISOString();
  return {
    procedure: 'challenge',
    tankId: history.tankId,
    begunAt: at,
    ended: null,
    given: {},
    steps: { dose: { at } },
    clocks: { [CHALLENGE_CLOCK]: ends },
  };
}

/**
 * Whether a test session is the test at the end of a challenge: both were read, and not long before its
 * time was up.
 * @param at ISO instant of the test session
 */
export function challengeOver(run: Run, entries: readonly ReadingEntry[], at: string): boolean {
  const end = run.clocks[CHALLENGE_CLOCK];
  if (end === undefined) return false;
  const tested = new Set(entries.map((entry) => entry.parameter));
  const soonest = instant(end) - SLACK_HOURS * HOUR_MS;
  return tested.has('ammonia') && tested.has('nitrite') && instant(at) >= soonest;
}
