import { doseAdvice } from '../../doseAdvice';
import { proofDoseWords, usualDoseWords } from '../../doseSize';
import { readingWords, type Reading } from '../../../history/reading';
import { countedReadings, nearestReading, type TankHistory } from '../../../history/tankHistory';
import { only, passing, perList, perTwoLists } from '../../../history/perList';
import { shortDay } from '../../../time/words';
import { DAY_MS } from '../../../time/zone';
import { passedDose } from './challenge';
import {
  clearlyAbove,
  evidence,
  evidenceAbove,
  isTrustedZero,
  undiluted,
  zeroAfterLastAbove,
} from '../evidence';
import { cannotTell, met, notYet, type CriterionRule } from '../types';

/** Two ammonia readings, the later lower than dilution alone explains. */
function ammoniaFall(history: TankHistory): [Reading, Reading] | null {
  if (evidenceAbove(history, 'ammonia').length === 0) return null;
  const highs: Reading[] = [];
  for (const low of evidence(history, 'ammonia')) {
    for (const high of highs) {
      if (high.at === low.at) continue;
      const left = undiluted(history, high.at, low.at);
      if (high.range.low * left >= low.range.high - 1e-9) return [high, low];
    }
    if (low.clearlyAbove) highs.push(low);
  }
  return null;
}

/** Ammonia was used: it fell by more than dilution, or nitrite appeared, or a dose was cleared in time. */
export const ammoniaUsed: CriterionRule = (inquiry) => {
  const { history, zone } = inquiry;
  const fall = ammoniaFall(history);
  if (fall) {
    const [high, low] = fall;
    return met(
      `${readingWords(high)} on ${shortDay(high.at, zone)}, down to ${readingWords(low)} on ${shortDay(low.at, zone)}.`,
      [high.id, low.id],
    );
  }
  const [nitrite] = nitriteShown(history);
  if (nitrite) {
    return met(
      `Nitrite read ${readingWords(nitrite)} on ${shortDay(nitrite.at, zone)}, which only used ammonia can make.`,
      [nitrite.id],
    );
  }
  const cleared = passedDose(inquiry);
  if (cleared) {
    return met(`Shown by the dose of ${shortDay(cleared.dose.at, zone)}.`, cleared.ids);
  }
  const all = evidence(history, 'ammonia');
  const latest = all.at(-1);
  if (!latest) {
    return cannotTell(
      'No ammonia test is logged yet.',
      doseAdvice(history, 'Dose ammonia and test it every two days.'),
    );
  }
  if (evidenceAbove(history, 'ammonia').length === 0) {
    return notYet(
      'Ammonia has not been seen above zero, so nothing shows that it is being used.',
      doseAdvice(
        history,
        `Dose ammonia to ${usualDoseWords(history)} and watch it fall, or test nitrite.`,
      ),
      [latest.id],
    );
  }
  return notYet(
    `Ammonia read ${readingWords(latest)} on ${shortDay(latest.at, zone)} and has not fallen yet.`,
    'Test ammonia again in two days.',
    [latest.id],
  );
};

/** One reading of nitrite from here on is no misread lowest step, mg N/L: 0.5 ppm NO2. */
const PLAIN_NITRITE = 0.15;

/** Readings that show nitrite: one well above zero, or else more than one lowest step. */
const nitriteShown = (history: TankHistory) => shownBy(evidenceAbove(history, 'nitrite'));

const plainlyAbove = only((reading: Reading) => reading.best >= PLAIN_NITRITE);

const shownBy = perList((above: readonly Reading[]): readonly Reading[] => {
  const plain = plainlyAbove(above);
  return plain.length > 0 ? plain : above.length > 1 ? above : [];
});

/** Less new water than this, all together, explains no zero. */
const LITTLE_CHANGED = 0.1;

/**
 * The zero with which nitrite ended, where new water alone may explain it: nothing that was read
 * before is left twice above it once the changes since are taken off.
 */
function zeroByDilution(history: TankHistory): Reading | null {
  const zero = zeroAfterLastAbove(evidence(history, 'nitrite'), (reading) =>
    isTrustedZero(history, reading),
  );
  if (!zero) return null;
  // Of years of readings few are above zero, and only those are asked what new water took.
  const used = evidenceAbove(history, 'nitrite').some((reading) => {
    if (reading.at > zero.at) return false;
    const left = undiluted(history, reading.at, zero.at);
    const least = left > 1 - LITTLE_CHANGED ? 1 : 2;
    return reading.range.low * left >= least * zero.range.high - 1e-9;
  });
  return used ? null : zero;
}

/** Nitrite was seen being used: the middle of the chain ran, or a dose that was cleared in time proved all of it. */
export const nitriteSeen: CriterionRule = (inquiry) => {
  const { history, zone } = inquiry;
  const shown = nitriteShown(history);
  const [seen] = shown;
  const diluted = seen ? zeroByDilution(history) : null;
  if (seen && !diluted) {
    return met(
      `Nitrite read ${readingWords(seen)} on ${shortDay(seen.at, zone)}.`,
      shown.slice(0, seen.best >= PLAIN_NITRITE ? 1 : 2).map((reading) => reading.id),
    );
  }
  const cleared = passedDose(inquiry);
  if (cleared) {
    return met(
      `${seen ? 'Shown by' : 'Never seen, but'} the dose of ${shortDay(cleared.dose.at, zone)}${seen ? '.' : ' shows that nitrite is used as fast as it is made.'}`,
      cleared.ids,
    );
  }
  if (seen && diluted) {
    return cannotTell(
      `Nitrite read ${readingWords(seen)} on ${shortDay(seen.at, zone)}, but the new water since then may alone explain the zero of ${shortDay(diluted.at, zone)}.`,
      doseAdvice(
        history,
        `Dose ${proofDoseWords(history)}, and test both a day later with no water change between.`,
      ),
      [seen.id, diluted.id],
    );
  }
  const readings = evidence(history, 'nitrite');
  const latest = readings.at(-1);
  if (!latest) return cannotTell('No nitrite test is logged yet.', 'Test nitrite.');
  const [once] = evidenceAbove(history, 'nitrite');
  return notYet(
    once
      ? `Nitrite read ${readingWords(once)} on ${shortDay(once.at, zone)} and no other time; one lowest step may be a misread vial.`
      : 'Nitrite has not been seen above zero.',
    doseAdvice(
      history,
      `Keep testing nitrite. If a mature seed never shows it, dose ${proofDoseWords(history)} and test both a day later.`,
    ),
    [latest.id],
  );
};

/** A rise of nitrate supports the chain but decides nothing: algae eat it. */
export const nitrateSeen: CriterionRule = ({ history, zone }) => {
  const all = evidence(history, 'nitrate');
  const trusted = trustedNitrate(history);
  const seen = clearlyAbove(trusted).at(-1);
  if (seen) {
    return met(`Nitrate read ${readingWords(seen)} on ${shortDay(seen.at, zone)}.`, [seen.id]);
  }
  const latest = all.at(-1);
  if (!latest) return cannotTell('No nitrate test is logged yet.', 'Test nitrate.');
  if (trusted.length === 0) {
    return cannotTell(
      'Every nitrate test was made while nitrite was present, which this kind of kit reads as nitrate.',
      'Test nitrate again once nitrite reads zero.',
      [latest.id],
    );
  }
  return notYet('Nitrate has not read above zero.', 'Test nitrate again later.', [latest.id]);
};

/** Nitrite above this spoils a nitrate test that works by reduction, mg N/L. */
export const NITRITE_SPOILS_NITRATE = 0.25;

/** Nitrate readings that nitrite has not spoilt. */
export function trustedNitrate(history: TankHistory): readonly Reading[] {
  return unspoilt(evidence(history, 'nitrate'), countedReadings(history, 'nitrite'));
}

const unspoilt = perTwoLists((nitrate: readonly Reading[], nitrite: readonly Reading[]) =>
  passing(nitrate, (reading) => !spoils(nitrite, reading)),
);

/** Whether nitrite, by its nearest reading within four days, was high enough to be read as nitrate. */
export function nitriteSpoils(history: TankHistory, nitrate: Reading): boolean {
  return spoils(countedReadings(history, 'nitrite'), nitrate);
}

function spoils(nitrite: readonly Reading[], { at }: Reading): boolean {
  const nearest = nearestReading(nitrite, at, 4 * DAY_MS);
  return nearest !== undefined && nearest.best > NITRITE_SPOILS_NITRATE;
}
