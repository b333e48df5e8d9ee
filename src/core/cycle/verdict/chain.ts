import { usualDoseWords } from '../doseSize';
import { readingWords, type Reading } from '../../history/reading';
import { shareOf, countedReadings, type TankHistory } from '../../history/tankHistory';
import { shortDay } from '../../time/words';
import { passedChallenge } from './challenge';
import { cannotTell, met, notYet, type CriterionRule } from './types';

/** Readings that may serve as evidence: possible, and made with reagents within their date. */
export function evidence(
  history: TankHistory,
  parameter: 'ammonia' | 'nitrite' | 'nitrate',
): Reading[] {
  return countedReadings(history, parameter).filter((reading) => !reading.expired);
}

/** Share of the water left unchanged between two moments, 0 to 1. */
function undiluted(history: TankHistory, from: number, to: number): number {
  return history.entries.waterChange
    .filter((change) => change.at > from && change.at <= to)
    .reduce((share, change) => share * (1 - shareOf(change, history)), 1);
}

/** Two ammonia readings, the later lower than dilution alone explains. */
function ammoniaFall(history: TankHistory): [Reading, Reading] | null {
  const readings = evidence(history, 'ammonia');
  for (let later = 1; later < readings.length; later += 1) {
    const low = readings[later];
    if (!low) continue;
    for (let earlier = 0; earlier < later; earlier += 1) {
      const high = readings[earlier];
      if (!high?.clearlyAbove || high.at === low.at) continue;
      const left = undiluted(history, high.at, low.at);
      if (high.range.low * left >= low.range.high - 1e-9) return [high, low];
    }
  }
  return null;
}

/** Ammonia was used: it fell by more than dilution, or nitrite appeared, or a challenge passed. */
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
  const nitrite = evidence(history, 'nitrite').find((reading) => reading.clearlyAbove);
  if (nitrite) {
    return met(
      `Nitrite read ${readingWords(nitrite)} on ${shortDay(nitrite.at, zone)}, which only used ammonia can make.`,
      [nitrite.id],
    );
  }
  const challenge = passedChallenge(inquiry);
  if (challenge) {
    return met(`Shown by the challenge of ${shortDay(challenge.dose.at, zone)}.`, challenge.ids);
  }
  const all = evidence(history, 'ammonia');
  const latest = all.at(-1);
  if (!latest) {
    return cannotTell('No ammonia test is logged yet.', 'Dose ammonia and test it every two days.');
  }
  if (!all.some((reading) => reading.clearlyAbove)) {
    return notYet(
      'Ammonia has not been seen above zero, so nothing shows that it is being used.',
      'Dose ammonia to 2 ppm and watch it fall, or test nitrite.',
      [latest.id],
    );
  }
  return notYet(
    `Ammonia read ${readingWords(latest)} on ${shortDay(latest.at, zone)} and has not fallen yet.`,
    'Test ammonia again in two days.',
    [latest.id],
  );
};

/** Nitrite was seen: the middle of the chain ran, or a challenge proved the whole of it. */
export const nitriteSeen: CriterionRule = (inquiry) => {
  const { history, zone } = inquiry;
  const readings = evidence(history, 'nitrite');
  const seen = readings.find((reading) => reading.clearlyAbove);
  if (seen) {
    return met(`Nitrite read ${readingWords(seen)} on ${shortDay(seen.at, zone)}.`, [seen.id]);
  }
  const challenge = passedChallenge(inquiry);
  if (challenge) {
    return met(
      `Never seen, but the challenge of ${shortDay(challenge.dose.at, zone)} shows that nitrite is used as fast as it is made.`,
      challenge.ids,
    );
  }
  const latest = readings.at(-1);
  if (!latest) return cannotTell('No nitrite test is logged yet.', 'Test nitrite.');
  return notYet(
    'Nitrite has not been seen above zero.',
    `Keep testing nitrite. If a mature seed never shows it, dose ${usualDoseWords(history)} and test both a day later.`,
    [latest.id],
  );
};

/** A rise of nitrate supports the chain but decides nothing: algae eat it. */
export const nitrateSeen: CriterionRule = ({ history, zone }) => {
  const trusted = trustedNitrate(history);
  const seen = trusted.filter((reading) => reading.clearlyAbove).at(-1);
  if (seen) {
    return met(`Nitrate read ${readingWords(seen)} on ${shortDay(seen.at, zone)}.`, [seen.id]);
  }
  const all = evidence(history, 'nitrate');
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
export function trustedNitrate(history: TankHistory): Reading[] {
  return evidence(history, 'nitrate').filter((reading) => !nitriteSpoils(history, reading));
}

/** Whether nitrite, by its nearest reading within four days, was high enough to be read as nitrate. */
export function nitriteSpoils(history: TankHistory, nitrate: Reading): boolean {
  const window = 4 * 86_400_000;
  let nearest: Reading | undefined;
  for (const nitrite of countedReadings(history, 'nitrite')) {
    const gap = Math.abs(nitrite.at - nitrate.at);
    if (gap > window) continue;
    if (!nearest || gap < Math.abs(nearest.at - nitrate.at)) nearest = nitrite;
  }
  return nearest !== undefined && nearest.best > NITRITE_SPOILS_NITRATE;
}
