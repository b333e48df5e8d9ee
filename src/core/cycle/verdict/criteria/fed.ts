import { countedReadings, type TankHistory } from '../../../history/tankHistory';
import { perList } from '../../../history/perList';
import { readingWords, type Reading } from '../../../history/reading';
import { shortDay } from '../../../time/words';
import { DAY_MS, HOUR_MS } from '../../../time/zone';
import { countOf, listWords } from '../../../units/format';
import { doseAdvice } from '../../doseAdvice';
import { proofDoseWords, riseWords, usualDoseWords } from '../../doseSize';
import { SETTLE_HOURS } from './challenge';
import { evidence, evidenceAbove, lastAboveZero } from '../evidence';
import { inputsOf, type Input } from '../inputs';
import { cannotTell, met, notYet, type CriterionRule } from '../types';

/** Less than this leaves nothing to judge filter bacteria by, mg N/L: a fortnight of a first small fish. */
const WORTH_CLEARING = 0.7;

const highest = perList((readings: readonly Reading[]): Reading | undefined =>
  readings.reduce<Reading | undefined>((a, b) => (a && a.best >= b.best ? a : b), undefined),
);

/** Ammonia and nitrite at their highest, each by one of at least two readings above zero. */
function readingsOfWorth(history: TankHistory): Reading[] {
  const ammonia = evidenceAbove(history, 'ammonia');
  const nitrite = evidenceAbove(history, 'nitrite');
  if (ammonia.length + nitrite.length < 2) return [];
  const tops = [highest(ammonia), highest(nitrite)].flatMap((top) => (top ? [top] : []));
  return tops.reduce((sum, top) => sum + top.best, 0) >= WORTH_CLEARING ? tops : [];
}

/** Filter bacteria with nothing to clear for longer than this, in days, is not what was shown any more. */
export const STARVED_DAYS = 21;

/** When anything was last put in for filter bacteria, ms; where nothing is logged, when it was last read above zero. */
export function lastPutIn(history: TankHistory): number | null {
  const put = Math.max(
    inputsOf(history).reduce((latest, { at }) => Math.max(latest, at), -Infinity),
    history.entries.feed.at(-1)?.at ?? -Infinity,
  );
  if (put > -Infinity) return put;
  const read = Math.max(
    lastAboveZero(evidence(history, 'ammonia')),
    lastAboveZero(evidence(history, 'nitrite')),
  );
  return read > -Infinity ? read : null;
}

/** When there was last something to clear: put in, or read in the water. */
function lastFood(history: TankHistory, inputs: readonly Input[]): number | null {
  const last = Math.max(
    lastAboveZero(evidence(history, 'ammonia')),
    lastAboveZero(evidence(history, 'nitrite')),
    inputs.reduce((latest, { at }) => Math.max(latest, at), -Infinity),
    // What fish eat feeds the filter bacteria as well.
    history.entries.feed.at(-1)?.at ?? -Infinity,
  );
  return last === -Infinity ? null : last;
}

/**
 * When filter bacteria with nothing to clear stops being what was shown, ms; null where animals feed it. That a
 * keeper calls the tank running feeds nothing: only animals on record do.
 */
export function starvedFrom(history: TankHistory): number | null {
  const last = lastFood(history, inputsOf(history));
  const { animalsSince } = history.standing;
  return last === null || animalsSince !== null ? null : last + STARVED_DAYS * DAY_MS;
}

/** Something worth clearing went in, by what was logged or by what was read: zeros alone show none. */
export const fed: CriterionRule = (inquiry) => {
  const finding = everFed(inquiry);
  const { history, at, zone } = inquiry;
  const starved = starvedFrom(history);
  if (finding.state !== 'met' || starved === null || at <= starved) return finding;
  const since = shortDay(starved - STARVED_DAYS * DAY_MS, zone);
  return cannotTell(
    `Nothing was there to clear since ${since}: filter bacteria that are not fed dwindle.`,
    doseAdvice(history, `Dose ${proofDoseWords(history)}, and test both once it is likely gone.`),
    finding.deciding,
  );
};

const everFed: CriterionRule = ({ history, zone }) => {
  const inputs = inputsOf(history);
  let sum = 0;
  const counted: string[] = [];
  for (const { id, rise } of inputs) {
    if (sum >= WORTH_CLEARING) break;
    sum += rise ?? 0;
    counted.push(id);
  }
  if (sum >= WORTH_CLEARING) {
    return met(`${riseWords(history, sum)} or more went in, as logged.`, counted);
  }
  const read = readingsOfWorth(history);
  if (read.length > 0) {
    const words = read.map((r) => `${readingWords(r)} on ${shortDay(r.at, zone)}`);
    return met(
      `Seen in the water: ${listWords(words)}.`,
      read.map((reading) => reading.id),
    );
  }
  return notYet(
    inputs.length > 0
      ? 'Too little went in to judge the filter bacteria by.'
      : 'Nothing that makes ammonia is logged, and too little was read in the water.',
    doseAdvice(
      history,
      `Dose ammonia to ${usualDoseWords(history)} and log it, or log what else went in.`,
    ),
    inputs.map(({ id }) => id),
  );
};

/** What rots has shown its ammonia by then, days. */
export const ROT_DAYS = 5;
/** More of what rots than in the days before by this much is outstanding, mg N/L. */
const LITTLE_ROT = 0.25;

/** What rots within days before a moment, mg N/L. */
function rotting(inputs: readonly Input[], from: number, to: number): number {
  return inputs
    .filter(({ slow, at }) => slow && at > from && at <= to)
    .reduce((sum, { rise }) => sum + (rise ?? 0), 0);
}

/** What rots of which tests have not seen the end, the newest of it; null where filter bacteria are fed as before. */
export function stillRotting(history: TankHistory, at: number): Input | null {
  const inputs = inputsOf(history);
  const slow = inputs.filter((input) => input.slow).at(-1);
  if (!slow) return null;
  const both = testedBoth(history);
  const days = (n: number) => both - n * ROT_DAYS * DAY_MS;
  const fresh = rotting(inputs, days(1), at);
  return fresh - rotting(inputs, days(2), days(1)) > LITTLE_ROT ? slow : null;
}

const testedLast = (history: TankHistory, parameter: 'ammonia' | 'nitrite') =>
  countedReadings(history, parameter).findLast((reading) => !reading.expired)?.at ?? -Infinity;

/** When both were tested last, ms: the older of the two. */
const testedBoth = (history: TankHistory) =>
  Math.min(testedLast(history, 'ammonia'), testedLast(history, 'nitrite'));

/**
 * Nothing went in of which tests have not seen the end: a dose needs both tested after it has mixed,
 * what rots needs days. Filter bacteria that are fed as much as before is not held up by it.
 */
export const dosesAccounted: CriterionRule = ({ history, at, zone }) => {
  const inputs = inputsOf(history);
  const slow = stillRotting(history, at);
  if (slow) {
    return notYet(
      `The ${slow.what} of ${shortDay(slow.at, zone)} is still rotting: what rots shows its ammonia over ${countOf(ROT_DAYS, 'day')}.`,
      `Test ammonia and nitrite on ${shortDay(slow.at + ROT_DAYS * DAY_MS, zone)} or later.`,
      [slow.id],
    );
  }
  const dose = inputs.filter((input) => !input.slow).at(-1);
  if (!dose) return met('Nothing that was put in is outstanding.', []);
  const from = dose.at + SETTLE_HOURS * HOUR_MS;
  const unseen = (['ammonia', 'nitrite'] as const).filter(
    (parameter) => testedLast(history, parameter) < from,
  );
  const size = dose.rise === null ? 'A dose' : `A dose of ${riseWords(history, dose.rise)}`;
  const on = shortDay(dose.at, zone);
  if (unseen.length === 0) {
    return met(`The last dose, on ${on}, has been tested after.`, [dose.id]);
  }
  return notYet(
    `${size} went in on ${on}, and ${unseen.join(' and ')} ${unseen.length > 1 ? 'have' : 'has'} not been tested since.`,
    `Test ${unseen.join(' and ')} at least ${SETTLE_HOURS} h after the dose.`,
    [dose.id],
  );
};
