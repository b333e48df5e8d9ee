import { readingWords, type Reading } from '../../../history/reading';
import {
  firstFrom,
  countedReadings,
  latestReading,
  type TankHistory,
} from '../../../history/tankHistory';
import { PARAMETERS } from '../../../parameters/registry';
import { FREE_AMMONIA_LEVELS } from '../../../seawater/ammonia';
import { shortDay } from '../../../time/words';
import { addDaysIn, DAY_MS, daysBetween, HOUR_MS, startOfDayIn } from '../../../time/zone';
import { countOf } from '../../../units/format';
import { BINDER_HOURS, isBound, isTrustedZero, placesAboveZero } from '../evidence';
import { ammoniaReadings, isProbed } from '../probe';
import { cannotTell, met, notYet, type CriterionRule, type Inquiry } from '../types';

type Toxin = 'ammonia' | 'nitrite';

/** Whether a reading is too old, by its parameter's guard age, to speak for this moment. */
export function isStale(reading: Reading, at: number): boolean {
  return at - reading.at > PARAMETERS[reading.parameter].guardDays * DAY_MS;
}

/** "9 days": the age of a reading, for a sentence. */
export function ageWords(reading: Reading, at: number, zone: string): string {
  return countOf(Math.max(1, daysBetween(reading.at, at, zone)), 'day');
}

function zeroNow(parameter: Toxin): CriterionRule {
  const { name, inSentence } = PARAMETERS[parameter];
  return ({ history, at, zone }) => {
    const latest = newest(history, parameter);
    if (!latest) return cannotTell(`No ${inSentence} test is logged yet.`, `Test ${inSentence}.`);
    const read = `${readingWords(latest)} on ${shortDay(latest.at, zone)}`;
    const ids = [latest.id];
    if (isStale(latest, at)) {
      return cannotTell(
        `No ${inSentence} test in ${ageWords(latest, at, zone)}; the last was ${read}.`,
        `Test ${inSentence}.`,
        ids,
      );
    }
    if (latest.zero === false) {
      return notYet(`${name} read ${read}.`, `Test ${inSentence} again in two days.`, ids);
    }
    if (latest.expired) {
      return cannotTell(
        `The ${inSentence} kit was past its date when it read ${read}.`,
        `Test ${inSentence} with a kit within its date.`,
        ids,
      );
    }
    if (latest.zero === null) {
      return cannotTell(
        `${read} cannot show a zero: the sample was diluted, or the kit's lowest step is too high.`,
        `Test ${inSentence} undiluted, with a kit that reads down to zero.`,
        ids,
      );
    }
    if (isBound(history, latest)) {
      return cannotTell(
        `${name} read ${read}, while a binder may have held it.`,
        `Test ${inSentence} again ${BINDER_HOURS / 24} days after the binder, or when its label says that it has let go.`,
        ids,
      );
    }
    const against = parameter === 'ammonia' ? probeAgainst(history, at) : null;
    if (against) {
      return notYet(
        `${name} read ${read}, but free ammonia ${readingWords(against)} on ${shortDay(against.at, zone)}: one of the two is wrong.`,
        'Test ammonia with a second kit; where it agrees with yours, the probe is to be checked or renewed.',
        [...ids, against.id],
      );
    }
    return met(
      isProbed(latest)
        ? `A probe that rose with a dose and agreed with your own test shows ${inSentence} at ${read}.`
        : `${name} read ${read}.`,
      ids,
    );
  };
}

const readingsOf = (history: TankHistory, parameter: Toxin): readonly Reading[] =>
  parameter === 'ammonia' ? ammoniaReadings(history) : countedReadings(history, 'nitrite');

/**
 * The reading that says how it stands: the newest. A probe's figure that can show no zero, at a low pH, leaves the
 * word to a test that can.
 */
function newest(history: TankHistory, parameter: Toxin): Reading | undefined {
  return readingsOf(history, parameter).findLast((one) => !(isProbed(one) && one.zero === null));
}

/**
 * A reading of free ammonia that speaks against a zero of ammonia: it withholds, and never grants. It is the newest,
 * not too old, and clearly above what is usual in a tank that has none.
 */
function probeAgainst(history: TankHistory, at: number): Reading | null {
  const free = latestReading(history, 'freeAmmonia');
  if (!free || free.expired || isStale(free, at)) return null;
  return free.clearlyAbove && free.best > FREE_AMMONIA_LEVELS.comfortable ? free : null;
}

export const ammoniaZero = zeroNow('ammonia');
export const nitriteZero = zeroNow('nitrite');

/** A trace that a meal leaves, mg N/L at most: 1 ppm of nitrite as NO2. */
const TRACE = 0.31;
/** It is gone the next day: read at zero within so many hours. */
const NEXT_DAY = 30 * HOUR_MS;

/**
 * When a run of zeros was last broken, ms: by the last reading above zero, but for a trace that the next
 * test of it, within a day or little more, no longer found. Filter bacteria that are fed shows such traces.
 */
function lastBreak(history: TankHistory, list: readonly Reading[]): number {
  for (const place of placesAboveZero(list).toReversed()) {
    const reading = list[place];
    const next = list[place + 1];
    if (!reading) continue;
    const gone =
      reading.best <= TRACE &&
      next !== undefined &&
      next.at - reading.at <= NEXT_DAY &&
      isTrustedZero(history, next);
    if (!gone) return reading.at;
  }
  return -Infinity;
}

/** Readings of both, oldest first, since the last one of either that broke the run. */
function cleanRun(history: TankHistory): Record<Toxin, Reading[]> {
  const ammonia = readingsOf(history, 'ammonia');
  const nitrite = readingsOf(history, 'nitrite');
  const lastAbove = Math.max(lastBreak(history, ammonia), lastBreak(history, nitrite));
  const clean = (list: readonly Reading[]) =>
    list
      .slice(firstFrom(list, lastAbove))
      .filter((r) => r.at > lastAbove && isTrustedZero(history, r));
  return { ammonia: clean(ammonia), nitrite: clean(nitrite) };
}

/** Both zero on one calendar day, with nothing above zero since. */
export const zeroSameDay: CriterionRule = ({ history, zone }) => {
  const run = cleanRun(history);
  for (const ammonia of [...run.ammonia].reverse()) {
    const from = startOfDayIn(ammonia.at, zone);
    const nitrite = run.nitrite[firstFrom(run.nitrite, from)];
    if (nitrite && nitrite.at < addDaysIn(from, 1, zone)) {
      return met(`Both read zero on ${shortDay(ammonia.at, zone)}.`, [ammonia.id, nitrite.id]);
    }
  }
  if (run.ammonia.length > 0 && run.nitrite.length > 0) {
    return notYet('Both read zero, but on different days.', 'Test both on the same day.', [
      ...run.ammonia.map((r) => r.id),
      ...run.nitrite.map((r) => r.id),
    ]);
  }
  return notYet('Ammonia and nitrite have not both read zero.', 'Test both on the same day.');
};

export interface ZeroSpan {
  /** When both had first read zero in the unbroken run that lasts to now. */
  since: number;
  /** The last moment at which both were known to be zero. */
  until: number;
  /** Calendar days between the two. */
  days: number;
  run: Reading[];
}

/** The unbroken run of zeros of both that the log ends with; null when there is none. */
export function zeroSpanOf(history: TankHistory, zone: string): ZeroSpan | null {
  const run = cleanRun(history);
  const firstA = run.ammonia[0];
  const firstN = run.nitrite[0];
  const lastA = run.ammonia.at(-1);
  const lastN = run.nitrite.at(-1);
  if (!firstA || !firstN || !lastA || !lastN) return null;
  const since = Math.max(firstA.at, firstN.at);
  const until = Math.max(since, Math.min(lastA.at, lastN.at));
  return {
    since,
    until,
    days: daysBetween(since, until, zone),
    run: [...run.ammonia, ...run.nitrite].sort((a, b) => a.at - b.at),
  };
}

export function daysAtZero(inquiry: Inquiry): number {
  return inquiry.choice.rule === 'bothZeroHeld' ? inquiry.choice.daysAtZero : 7;
}

/** Both zero, and again zero so many days later with nothing above zero between. */
export const zeroHeld: CriterionRule = (inquiry) => {
  const { history, at, zone } = inquiry;
  const days = daysAtZero(inquiry);
  const zeroSpan = zeroSpanOf(history, zone);
  if (!zeroSpan) {
    return notYet('The days start to count when both read zero.', 'Bring both to zero first.');
  }
  if (zeroSpan.days >= days) {
    return met(
      `Both zero from ${shortDay(zeroSpan.since, zone)} to ${shortDay(zeroSpan.until, zone)}.`,
      decidingRun(zeroSpan, days, zone),
    );
  }
  const due = addDaysIn(zeroSpan.since, days, zone);
  const when = daysBetween(at, due, zone) <= 0 ? 'now' : `on ${shortDay(due, zone)}`;
  return notYet(
    `Both zero since ${shortDay(zeroSpan.since, zone)}; ${zeroSpan.days} of ${days} days shown by tests.`,
    `Test both again ${when}.`,
    zeroSpan.run.map((r) => r.id),
  );
};

/** The shortest tail of the run that still spans the days: what the criterion really rests on. */
function decidingRun(zeroSpan: ZeroSpan, days: number, zone: string): string[] {
  // A reading is so many days back when it lies before the day that many days ago ends.
  const end = addDaysIn(startOfDayIn(zeroSpan.until, zone), 1 - days, zone);
  const from = zeroSpan.run.findLast((r) => r.at < end)?.at ?? zeroSpan.since;
  return zeroSpan.run.filter((r) => r.at >= from).map((r) => r.id);
}
