import { isAmmoniaSource } from '../../records/kinds/dose';
import { readingWords } from '../../history/reading';
import {
  countedReadings,
  latestReading,
  riseOf,
  type Dose,
  type TankHistory,
} from '../../history/tankHistory';
import { MEQ_PER_DKH } from '../../units/constants';
import { DAY_MS, HOUR_MS } from '../../time/zone';
import { hasAnimals } from '../doseAdvice';
import { proofDose, riseWords } from '../doseSize';
import type { Assurance } from './assurance';
import { SURE } from './assurance';
import { SETTLE_HOURS, SLACK_HOURS, leastRise, testHoursOf } from './criteria/challenge';
import { inputsOf } from './inputs';
import { noDoseBecause } from './outstanding';
import type { Criterion, CriterionId, FirstLoad, Proof, Verdict } from './types';

/** What a dose and the test after it can settle, whatever the rule for done. */
const SETTLED: ReadonlySet<CriterionId> = new Set([
  'fed',
  'ammoniaUsed',
  'nitriteSeen',
  'challengePassed',
  'doseCleared',
  'forecastAgrees',
]);

/** Of those, what shows that the chain runs at all. */
const CHAIN: ReadonlySet<CriterionId> = new Set(['fed', 'ammoniaUsed', 'nitriteSeen']);

/** A dose is only asked for where it likely clears: filter bacteria that are too weak for it is fed, not tested. */
export const PROOF_LIKELY = 0.5;
/** The least alkalinity with which a dose is given, dKH: each mg N/L takes 0.4 of it. */
export const PROOF_ALKALINITY = 7;

/** Whether both last read zero before a moment. */
function readZeroBefore(history: TankHistory, moment: number): boolean {
  return (['ammonia', 'nitrite'] as const).every(
    (parameter) =>
      countedReadings(history, parameter).findLast(({ at }) => at <= moment)?.zero === true,
  );
}

/**
 * A dose that is large enough, given once both read zero, and not tested after yet, within its hours; null
 * for none.
 */
export function doseUnderWay(history: TankHistory, at: number): Dose | null {
  const { doneRule } = history.tank;
  const dose = history.entries.dose.findLast(({ entry }) => isAmmoniaSource(entry.substance));
  if (!dose || (riseOf(dose, history) ?? 0) < leastRise(doneRule)) return null;
  if (!readZeroBefore(history, dose.at)) return null;
  if (at > dose.at + (testHoursOf(doneRule) + SLACK_HOURS) * HOUR_MS) return null;
  const from = dose.at + SETTLE_HOURS * HOUR_MS;
  const tested = (['ammonia', 'nitrite'] as const).every(
    (parameter) => (latestReading(history, parameter)?.at ?? -Infinity) >= from,
  );
  return tested ? null : dose;
}

/** Whether both last read zero, as the criteria found; what was read before a dose under way counts. */
const bothZero = (criteria: readonly Criterion[]) =>
  criteria.every(
    ({ id, state }) => (id !== 'ammoniaZero' && id !== 'nitriteZero') || state === 'met',
  );

function alkalinityHolds(history: TankHistory): boolean {
  return (latestReading(history, 'alkalinity')?.best ?? 0) >= PROOF_ALKALINITY * MEQ_PER_DKH - 1e-9;
}

/**
 * The one test that is left, where all that is open would be settled by a dose and the test after it, both
 * read zero, and the dose likely clears in its hours. Null where anything else is open, where an animal is
 * in, and where no ammonia may be dosed.
 * @param criteria all of the verdict's, as found
 */
export function proofOf(
  history: TankHistory,
  at: number,
  criteria: readonly Criterion[],
  assurance: Assurance | null,
): Proof | null {
  if (assurance === null || assurance.doubted !== null) return null;
  if (hasAnimals(history) || !bothZero(criteria)) return null;
  const likely = assurance.proof >= PROOF_LIKELY;
  const open = criteria.filter(({ role, state }) => role === 'cycle' && state !== 'met');
  const hours = testHoursOf(history.tank.doneRule);
  const dose = doseUnderWay(history, at);
  if (dose) {
    if (!open.every(({ id }) => id === 'dosesAccounted' || SETTLED.has(id))) return null;
    // Where the chain was never seen to run, a dose is the first, and no proof.
    if (!likely && open.some(({ id }) => CHAIN.has(id))) return null;
    const testAt = dose.at + hours * HOUR_MS;
    return {
      step: 'test',
      rise: riseOf(dose, history) ?? proofDose(history),
      hours,
      testAt,
      lateAt: testAt + SLACK_HOURS * HOUR_MS,
      chance: assurance.proof,
    };
  }
  if (!likely || !open.every(({ id, doses }) => SETTLED.has(id) && doses === true)) return null;
  if (!alkalinityHolds(history) || noDoseBecause(history, at) !== null) return null;
  return {
    step: 'dose',
    rise: proofDose(history),
    hours,
    testAt: null,
    lateAt: null,
    chance: assurance.proof,
  };
}

/**
 * Whether a verdict waits for the forecast alone: what the rules found is complete, or nothing but what a dose
 * and its test would settle is open.
 */
export function asksForecast({
  granted,
  criteria,
}: Pick<Verdict, 'granted' | 'criteria'>): boolean {
  return (
    granted ||
    (bothZero(criteria) &&
      criteria.every(
        ({ id, role, state }) =>
          role !== 'cycle' || state === 'met' || id === 'dosesAccounted' || SETTLED.has(id),
      ))
  );
}

/** What a tank of which all agrees may carry first. */
export function firstLoadOf(assurance: Assurance | null): FirstLoad {
  return assurance && assurance.carriesTwo >= SURE.carries
    ? 'two small fish or a pair'
    : 'one small fish';
}

/** A test that came too late is no failure of a dose, and nothing is asked of it after so long. */
export const FAILED_FOR_DAYS = 2;

/**
 * What the last dose left, where a test in its hours still showed some: "1.5 of 2 ppm NH4 was gone". Null
 * where it was gone, was not tested, or is days ago.
 */
export function leftOfDose(history: TankHistory, at: number): string | null {
  const { doneRule } = history.tank;
  const dose = history.entries.dose.findLast(({ entry }) => isAmmoniaSource(entry.substance));
  const rise = dose && riseOf(dose, history);
  if (!dose || !rise || rise < leastRise(doneRule)) return null;
  // The first dose of all is no proof that failed, and nor is one on top of what stood.
  if (!readZeroBefore(history, dose.at)) return null;
  if (!inputsOf(history).some(({ at: put }) => put < dose.at)) return null;
  const hours = testHoursOf(doneRule);
  const from = dose.at + (hours - SLACK_HOURS) * HOUR_MS;
  if (at < from || at > dose.at + hours * HOUR_MS + FAILED_FOR_DAYS * DAY_MS) return null;
  const left = (['ammonia', 'nitrite'] as const).flatMap((parameter) => {
    const last = countedReadings(history, parameter).at(-1);
    return last && last.at >= from && last.zero === false ? [last] : [];
  });
  if (left.length === 0) return null;
  const stands = left.reduce((sum, reading) => sum + reading.best, 0);
  if (stands >= rise) return null;
  return `Of ${riseWords(history, rise)} about ${riseWords(history, rise - stands)} was gone: ${left
    .map((r) => `${r.parameter} still read ${readingWords(r)}`)
    .join(' and ')}.`;
}
