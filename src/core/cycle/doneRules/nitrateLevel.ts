import { readingWords } from '../../history/reading';
import { latestReading } from '../../history/tankHistory';
import { shortDay } from '../../time/words';
import { DAY_MS } from '../../time/zone';
import { NITRITE_SPOILS_NITRATE, trustedNitrate } from '../verdict/criteria/chain';
import { evidence, undiluted } from '../verdict/evidence';
import { cannotTell, met, notYet, type CriterionRule, type Inquiry } from '../verdict/types';
import type { DoneRule } from './doneRule';

/** Nitrate readings further back than this no longer show that it has levelled. */
export const LEVEL_WINDOW_DAYS = 16;
/** Two level readings closer than this could be one plateau of a slow rise. */
const LEVEL_GAP_DAYS = 5;

/** When nitrate is to be tested for this rule for done, ms: at once, or days after the last that counts; null once level. */
export function nitrateDueAt(inquiry: Inquiry): number | null {
  if (nitrateHasLevelled(inquiry).state === 'met') return null;
  const last = trustedNitrate(inquiry.history).at(-1);
  return last ? Math.max(inquiry.at, last.at + LEVEL_GAP_DAYS * DAY_MS) : inquiry.at;
}

/** Nitrate rose and has stopped rising: the chain runs no more ammonia through. */
export const nitrateHasLevelled: CriterionRule = ({ history, at, zone }) => {
  const nitrite = latestReading(history, 'nitrite');
  if (nitrite && nitrite.best > NITRITE_SPOILS_NITRATE) {
    return cannotTell(
      `Nitrite reads ${readingWords(nitrite)}, and nitrate kits read nitrite too.`,
      'Test nitrate once nitrite reads zero.',
      [nitrite.id],
    );
  }
  const trusted = trustedNitrate(history);
  if (trusted.length === 0) {
    const spoilt = evidence(history, 'nitrate').at(-1);
    return cannotTell(
      spoilt ? 'No nitrate test was made free of nitrite.' : 'No nitrate test is logged yet.',
      'Test nitrate now, and again in a week.',
      spoilt ? [spoilt.id] : [],
    );
  }
  if (!trusted.some((reading) => reading.clearlyAbove)) {
    return notYet('Nitrate has not risen yet.', 'Test nitrate again in a week.', [
      trusted.at(-1)?.id ?? '',
    ]);
  }
  const recent = trusted.filter((reading) => at - reading.at <= LEVEL_WINDOW_DAYS * DAY_MS);
  const last = recent.at(-1);
  const earlier = last && recent.filter((r) => last.at - r.at >= LEVEL_GAP_DAYS * DAY_MS).at(-1);
  if (!last || !earlier) {
    return cannotTell(
      `It takes two nitrate tests ${LEVEL_GAP_DAYS} days apart within ${LEVEL_WINDOW_DAYS} days.`,
      last ? `Test nitrate again in ${LEVEL_GAP_DAYS} days.` : 'Test nitrate.',
      last ? [last.id] : [],
    );
  }
  const ids = [earlier.id, last.id];
  const words = `${readingWords(earlier)} on ${shortDay(earlier.at, zone)}, ${readingWords(last)} on ${shortDay(last.at, zone)}`;
  if (last.range.high === Infinity) {
    return cannotTell(
      `Nitrate reads ${readingWords(last)}, the last step of the kit, and may be rising beyond it.`,
      'Test nitrate on a sample diluted with fresh water, and again in a week.',
      ids,
    );
  }
  const left = undiluted(history, earlier.at, last.at);
  // Of what was there, new water left so much: more than that has risen.
  if (left < 1 && last.best > earlier.best * left * 1.1 + 1e-9) {
    return notYet(
      `Nitrate did not fall with the water that was changed, so it is still rising: ${words}.`,
      `Test nitrate again in ${LEVEL_GAP_DAYS} days, with no water change between.`,
      ids,
    );
  }
  return last.best > earlier.best * 1.1 + 1e-9
    ? notYet(`Nitrate is still rising: ${words}.`, 'Test nitrate again in a week.', ids)
    : met(`Nitrate has levelled: ${words}.`, ids);
};

const TOO = 'Test nitrate in the same session: your rule for done asks that it has levelled.';

export const nitrateLevel: DoneRule<'nitrateLevel'> = {
  id: 'nitrateLevel',
  name: 'Nitrate levels off',
  asks: 'Nitrate rose and has stopped rising, with ammonia and nitrite at zero; then one dose is gone in a day.',
  trades: 'One test more. Algae eat nitrate and nitrite is read as nitrate, so it misleads easily.',
  criteria: ['nitrateLevel', 'doseCleared'],
  supports: [],
  words: () => 'nitrate levels off',
  readyDay: (clear, _choice, { proven }) => {
    const level = clear + LEVEL_GAP_DAYS;
    return Math.max(level, proven(level));
  },
  provesByDose: () => true,
  shownAgainAt: (_choice, { nitrateDueAt: due }) => due,
  testsToo: ({ nitrateDueAt: due }, at) =>
    due !== null && due <= at ? { parameter: 'nitrate', because: TOO } : null,
};
