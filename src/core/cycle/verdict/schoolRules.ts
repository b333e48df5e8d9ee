import { readingWords } from '../../history/reading';
import { latestReading } from '../../history/tankHistory';
import { shortDay } from '../../time/words';
import { addDaysIn, DAY_MS, daysBetween } from '../../time/zone';
import { successionOf } from '../succession';
import { evidence, NITRITE_SPOILS_NITRATE, trustedNitrate } from './chain';
import { cannotTell, met, notYet, type CriterionRule } from './types';

/** Nitrate readings further back than this no longer show that it has levelled. */
export const LEVEL_WINDOW_DAYS = 16;
/** Two level readings closer than this could be one plateau of a slow rise. */
const LEVEL_GAP_DAYS = 5;

/** Nitrate rose and has stopped rising: the chain runs no more ammonia through. */
export const nitrateLevel: CriterionRule = ({ history, at, zone }) => {
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
  return last.best > earlier.best * 1.1 + 1e-9
    ? notYet(`Nitrate is still rising: ${words}.`, 'Test nitrate again in a week.', ids)
    : met(`Nitrate has levelled: ${words}.`, ids);
};

/** The bottle's programme has run its length since the first bottled bacteria. */
export const programmeDone: CriterionRule = ({ history, at, zone, choice }) => {
  const days = choice.school === 'bottleProgramme' ? choice.programmeDays : 0;
  const first = history.entries.dose.find((dose) => dose.entry.substance === 'bacteria');
  if (!first) {
    return cannotTell(
      'No bottled bacteria are logged, so the programme has no first day.',
      'Log the bottle on the day it went in.',
    );
  }
  const passed = daysBetween(first.at, at, zone);
  if (passed >= days) {
    return met(`${days} days since the bottle of ${shortDay(first.at, zone)}.`, [first.id]);
  }
  const ends = shortDay(addDaysIn(first.at, days, zone), zone);
  return notYet(`Day ${passed} of ${days}; the programme ends on ${ends}.`, `Wait until ${ends}.`, [
    first.id,
  ]);
};

/** Diatoms, then green, then a level stand: what this school reads a grown-in tank by. */
export const algaeSuccession: CriterionRule = ({ history, zone }) => {
  const { diatoms, green, level, ids } = successionOf(history);
  const lit = history.standing.lit || history.entries.light.some((l) => l.entry.state === 'on');
  if (diatoms === null) {
    return lit
      ? notYet('No diatoms are logged yet.', 'Log rusty dust on sand or glass when it shows.')
      : cannotTell(
          'No diatoms are logged, and nothing grows while the light is off.',
          'Turn the light on and log it, or choose another school.',
        );
  }
  const dust = `diatoms on ${shortDay(diatoms, zone)}`;
  if (green === null) {
    return notYet(
      `Seen so far: ${dust}.`,
      'Log green film or hair algae when it follows the dust.',
      ids,
    );
  }
  const film = `green on ${shortDay(green, zone)}`;
  if (level === null) {
    return notYet(
      `Seen so far: ${dust}, ${film}.`,
      `Log the same growth again a week later; no more than before shows that it has levelled.`,
      ids,
    );
  }
  return met(`Seen: ${dust}, ${film}, level on ${shortDay(level, zone)}.`, ids);
};
