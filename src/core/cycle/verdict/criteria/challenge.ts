import { isAmmoniaSource } from '../../../records/kinds/dose';
import { readingWords, type Reading } from '../../../history/reading';
import {
  riseOf,
  shareOf,
  countedReadings,
  type Dose,
  type TankHistory,
} from '../../../history/tankHistory';
import type { DoneRuleChoice } from '../../../records/schema/tank';
import { momentWords, shortDay } from '../../../time/words';
import { DAY_MS, HOUR_MS } from '../../../time/zone';
import { doseAdvice } from '../../doseAdvice';
import { proofDoseWords, riseWords } from '../../doseSize';
import { isTrustedZero } from '../evidence';
import { inputsOf } from '../inputs';
import { ammoniaReadings, isProbed } from '../probe';
import { cannotTell, met, notYet, type CriterionRule, type Inquiry } from '../types';

/** The smallest rise that challenges filter bacteria, mg N/L: 2 ppm on the mildest basis, less a drop. */
const CHALLENGE_RISE = 1.5;
/** The smallest rise that proves a first load, mg N/L: 1 ppm on the mildest basis, less a drop. */
const PROOF_RISE = 0.75;

/** The smallest rise that counts for a rule for done, mg N/L: the challenge proves a size, the others a load. */
export function leastRise({ rule }: DoneRuleChoice): number {
  return rule === 'challenge' ? CHALLENGE_RISE : PROOF_RISE;
}
/** A test sooner than this after a dose may miss it: it has hardly mixed. */
export const SETTLE_HOURS = 4;
/** Late by this much still counts as on time. */
export const SLACK_HOURS = 2;
/** A water change beyond this share inside the window clears by dilution, not by the filter bacteria. */
const DILUTION_LIMIT = 0.1;
/** Filter bacteria that nothing fed for longer than this, in days, shrinks: a pass before it says little. */
export const UNFED_DAYS = 14;

interface Window {
  from: number;
  to: number;
}

function windowOf(dose: Dose, hours: number): Window {
  return {
    from: dose.at + SETTLE_HOURS * HOUR_MS,
    to: dose.at + (hours + SLACK_HOURS) * HOUR_MS,
  };
}

type Toxin = 'ammonia' | 'nitrite';

/** The readings of a parameter within the hours of a challenge. */
function within(history: TankHistory, parameter: Toxin, span: Window): Reading[] {
  const readings =
    parameter === 'ammonia' ? ammoniaReadings(history) : countedReadings(history, parameter);
  return readings.filter(
    (r) => r.at >= span.from && r.at <= span.to && !(isProbed(r) && r.zero === null),
  );
}

/** The zeros that a window ends with: one that came back up is no zero. */
function endingZeros(history: TankHistory, parameter: Toxin, span: Window): Reading[] {
  const readings = within(history, parameter, span);
  return readings.slice(readings.findLastIndex((r) => !isTrustedZero(history, r)) + 1);
}

/** Tests this close together are one test session. */
const TEST_SESSION_HOURS = 2;

/**
 * The zeros that prove a challenge: nitrite is gone once it reads zero when ammonia does, since till
 * then ammonia still becomes nitrite. One that is missing is not proven.
 */
function proofOf(history: TankHistory, span: Window): { ammonia?: Reading; nitrite?: Reading } {
  const [ammonia] = endingZeros(history, 'ammonia', span);
  const nitrite = endingZeros(history, 'nitrite', span).at(-1);
  const inTime = ammonia && nitrite && nitrite.at >= ammonia.at - TEST_SESSION_HOURS * HOUR_MS;
  return {
    ...(ammonia ? { ammonia } : {}),
    ...(nitrite && (!ammonia || inTime) ? { nitrite } : {}),
  };
}

export interface Challenge {
  dose: Dose;
  ids: string[];
}

/** Doses of ammonia that are large enough to prove what the rule for done of a tank asks, oldest first. */
export function provingDoses(
  history: TankHistory,
  least = leastRise(history.tank.doneRule),
): Dose[] {
  return history.entries.dose.filter(
    (dose) => isAmmoniaSource(dose.entry.substance) && (riseOf(dose, history) ?? 0) >= least,
  );
}

function wasDiluted(history: TankHistory, span: Window, dose: Dose): boolean {
  const share = history.entries.waterChange
    .filter((change) => change.at >= dose.at && change.at <= span.to)
    .reduce((sum, change) => sum + shareOf(change, history), 0);
  return share > DILUTION_LIMIT;
}

function resultOf(history: TankHistory, dose: Dose, hours: number): Challenge | null {
  const span = windowOf(dose, hours);
  if (wasDiluted(history, span, dose)) return null;
  const { ammonia, nitrite } = proofOf(history, span);
  return ammonia && nitrite ? { dose, ids: [dose.id, ammonia.id, nitrite.id] } : null;
}

/** A failure may be read this long after the window, if nothing else went in till then. */
const FAILURE_DAYS = 3;

/** A reading above zero at the end of a dose's window or after it, before anything else went in. */
export function failureOf(history: TankHistory, dose: Dose, hours: number): Reading | undefined {
  const next = history.entries.dose.find(
    (d) => d.at > dose.at && isAmmoniaSource(d.entry.substance),
  );
  const span = {
    from: dose.at + (hours - SLACK_HOURS) * HOUR_MS,
    to: Math.min((next?.at ?? Infinity) - 1, dose.at + hours * HOUR_MS + FAILURE_DAYS * DAY_MS),
  };
  return [...within(history, 'ammonia', span), ...within(history, 'nitrite', span)].find(
    (reading) => reading.zero === false,
  );
}

/** Hours after a dose at which both are tested. */
export function testHoursOf(choice: DoneRuleChoice): number {
  return choice.rule === 'challenge' ? choice.windowHours : 24;
}

/**
 * Hours within which both must read zero: the challenge's own; two days for the others, since 1 ppm that went
 * in two days shows many times what a first small fish makes.
 */
export function windowHoursOf(choice: DoneRuleChoice): number {
  return choice.rule === 'challenge' ? choice.windowHours : 48;
}

/**
 * The newest dose that is large enough for the rule for done after which both read zero in time. One that failed
 * since outdoes it; one that nobody tested, or that new water diluted, says nothing either way.
 */
export function passedDose({ history, choice }: Inquiry): Challenge | null {
  const hours = windowHoursOf(choice);
  for (const dose of provingDoses(history, leastRise(choice)).reverse()) {
    const result = resultOf(history, dose, hours);
    if (result) return result;
    if (failureOf(history, dose, hours)) return null;
  }
  return null;
}

/** Whether both were shown gone in time after a dose. */
export function isPassed(history: TankHistory, dose: Dose, hours: number): boolean {
  return resultOf(history, dose, hours) !== null;
}

/**
 * The moment from which nothing fed the filter bacteria for too long, between a moment and now; null where it
 * was kept fed. An animal feeds it for as long as it is in.
 */
function unfedSince(history: TankHistory, from: number, at: number): number | null {
  const { animalsSince } = history.standing;
  const until = animalsSince === null ? at : Math.max(from, animalsSince);
  let last = from;
  for (const input of inputsOf(history)) {
    if (input.at <= from || input.at > until) continue;
    if (input.at - last > UNFED_DAYS * DAY_MS) return last;
    last = input.at;
  }
  return until - last > UNFED_DAYS * DAY_MS ? last : null;
}

function afterwards(inquiry: Inquiry, dose: Dose, hours: number): ReturnType<CriterionRule> {
  const { history, at, zone } = inquiry;
  const span = windowOf(dose, hours);
  const by = momentWords(span.to - SLACK_HOURS * HOUR_MS, zone, at);
  const testAt = dose.at + testHoursOf(inquiry.choice) * HOUR_MS;
  const on = shortDay(dose.at, zone);
  if (wasDiluted(history, span, dose)) {
    return cannotTell(
      `Water was changed within ${hours} h of the dose of ${on}, which clears it by dilution.`,
      doseAdvice(
        history,
        `Dose ${proofDoseWords(history)} again and test both a day later, with no water change between.`,
      ),
      [dose.id],
    );
  }
  const proof = proofOf(history, span);
  const failed =
    (['ammonia', 'nitrite'] as const)
      .map((parameter) => within(history, parameter, span).at(-1))
      .find((reading) => reading?.zero === false) ?? failureOf(history, dose, hours);
  if (failed) {
    const ids = [dose.id, failed.id];
    const name = failed.parameter === 'ammonia' ? 'ammonia' : 'nitrite';
    const because = `After the dose of ${on}, ${name} still read ${readingWords(failed)}.`;
    return at <= span.to
      ? notYet(because, `Test again by ${by}.`, ids)
      : notYet(
          because,
          doseAdvice(
            history,
            `Let both clear, then dose ${proofDoseWords(history)} again and test a day later.`,
          ),
          ids,
        );
  }
  const missing = proof.ammonia ? 'nitrite' : proof.nitrite ? 'ammonia' : 'ammonia and nitrite';
  if (at <= span.to) {
    return notYet(
      `${riseWords(history, riseOf(dose, history) ?? 0)} was dosed on ${on}; the answer is due.`,
      `Test ${missing} by ${at < testAt ? momentWords(testAt, zone, at) : by}.`,
      [dose.id],
    );
  }
  return cannotTell(
    `${missing === 'ammonia and nitrite' ? 'Neither ammonia nor nitrite was tested' : `No ${missing} test that can show a zero was made`} in the ${hours} h after the dose of ${on}.`,
    doseAdvice(history, `Dose ${proofDoseWords(history)} again and test both a day later.`),
    [dose.id],
  );
}

/** A dose of the size that the rule for done asks, both at zero within the window that it allows. */
export const doseCleared: CriterionRule = (inquiry) => {
  const { history, at, zone } = inquiry;
  const hours = windowHoursOf(inquiry.choice);
  const passed = passedDose(inquiry);
  if (passed) {
    const on = shortDay(passed.dose.at, zone);
    const unfed = unfedSince(history, passed.dose.at, at);
    if (unfed !== null) {
      return cannotTell(
        `Passed on ${on}, but nothing is logged that fed the filter bacteria for more than ${UNFED_DAYS} days from ${shortDay(unfed, zone)} on: they dwindle then.`,
        doseAdvice(history, `Dose ${proofDoseWords(history)} again and test both a day later.`),
        passed.ids,
      );
    }
    return met(`The dose of ${on} was gone, nitrite with it, within ${hours} h.`, passed.ids);
  }
  const last = provingDoses(history, leastRise(inquiry.choice)).at(-1);
  if (last) return afterwards(inquiry, last, hours);
  const ammoniaDose = history.entries.dose
    .filter((dose) => isAmmoniaSource(dose.entry.substance))
    .at(-1);
  if (ammoniaDose && riseOf(ammoniaDose, history) === null) {
    return cannotTell(
      'The dose has no strength on record, so its size is not known.',
      'Open the dose and enter what its label says.',
      [ammoniaDose.id],
    );
  }
  return notYet(
    `No dose of ${proofDoseWords(history)} is logged.`,
    doseAdvice(
      history,
      `Dose ${proofDoseWords(history)} of ammonia once both read zero; test ammonia and nitrite ${testHoursOf(inquiry.choice)} h later.`,
    ),
  );
};
