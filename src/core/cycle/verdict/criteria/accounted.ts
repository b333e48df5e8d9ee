import { firstFrom, type TankHistory } from '../../../history/tankHistory';
import { readingWords, type Reading } from '../../../history/reading';
import { shortDay } from '../../../time/words';
import { DAY_MS, HOUR_MS } from '../../../time/zone';
import { riseWords } from '../../doseSize';
import { trustedNitrate } from './chain';
import { evidence, undiluted } from '../evidence';
import { inputsOf } from '../inputs';
import { cannotTell, met, type CriterionRule } from '../types';

/** Less than this in all is lost in the steps of a nitrate card, mg N/L: 9 ppm NO3. */
const ENOUGH = 2;
/** The share of what went in that is found again as nitrate at least; algae and deep sand take the rest. */
const FOUND = 0.25;
/** A dose has become nitrate by then where nothing reads above zero, days; what rots takes longer. */
const DOSE_DAYS = 3;
const ROT_DAYS = 14;
/** Two readings of nitrite so far apart are no one vial read twice. */
const APART = 12 * HOUR_MS;
/** Zeros of two kits so near each other speak of the same water. */
const TOGETHER = 7 * DAY_MS;

/** Nitrogen that went in and, where it was cleared, is nitrate at a moment, less what changes took, mg N/L. */
function expectedNitrate(history: TankHistory, at: number): number {
  return inputsOf(history).reduce((sum, { at: put, rise, slow }) => {
    const done = put + (slow ? ROT_DAYS : DOSE_DAYS) * DAY_MS <= at;
    return done && rise !== null ? sum + rise * undiluted(history, put, at) : sum;
  }, 0);
}

/** A nitrate test that found next to nothing of much that went in. */
function missing(history: TankHistory): { test: Reading; expected: number } | null {
  const test = trustedNitrate(history).at(-1);
  if (!test) return null;
  const expected = expectedNitrate(history, test.at);
  return expected >= ENOUGH && test.range.high < FOUND * expected ? { test, expected } : null;
}

/** Whether nitrite was seen to come by more than one vial, so that its kit is known to show it. */
function nitriteKitShown(history: TankHistory): boolean {
  const above = evidence(history, 'nitrite').filter((reading) => reading.clearlyAbove);
  const [first] = above;
  return first !== undefined && above.some((reading) => reading.at - first.at >= APART);
}

/** Whether two kits read the same zero: a shop's test beside the keeper's own. */
function twoKitsAgree(history: TankHistory): boolean {
  const zeros = evidence(history, 'nitrite').filter((reading) => reading.zero === true);
  return zeros.some((reading, i) =>
    zeros
      .slice(firstFrom(zeros, reading.at - TOGETHER), i)
      .some((other) => other.kitId !== reading.kitId),
  );
}

/** How each kit is tried. Nobody is told to handle nitrite salt, and nothing of it goes into a tank. */
export const KIT_TRIED: Record<'ammonia' | 'nitrite' | 'nitrate', string> = {
  nitrate: 'A nitrate kit is tried on old tank water, in which it must show colour.',
  nitrite:
    'A nitrite kit is tried on a bought standard, on water of a tank in mid-cycle, or against the test of a shop: log what another kit reads under its own name.',
  ammonia:
    'Ammonia: one drop of your own bottle in a jar with a litre of new salt water, read, and poured away; never into a tank.',
};

/**
 * What went in is found again: a balance of nitrogen, by the last trusted test of nitrate. It doubts the
 * kits by name where much went in, nitrate shows next to none of it, and nitrite was never seen to come:
 * a dead nitrite kit reads zero for ever. Where nobody tests nitrate it asks for nothing.
 */
export const accounted: CriterionRule = ({ history, zone }) => {
  const gone = missing(history);
  if (!gone) return met('Nothing that went in is missing.', []);
  const { test, expected } = gone;
  if (nitriteKitShown(history)) {
    return met('Nitrate shows little of what went in; nitrite was seen to come and go.', [test.id]);
  }
  if (twoKitsAgree(history)) {
    return met('Nitrate shows little of what went in; two kits read nitrite at zero.', [test.id]);
  }
  return {
    ...cannotTell(
      `About ${riseWords(history, expected)} should be nitrate by now, but nitrate read ${readingWords(test)} on ${shortDay(test.at, zone)}. A dead nitrite kit would read zero too, and so would a nitrate test whose powder was not shaken.`,
      'Shake the nitrate powder for a full minute and test again, and have nitrite read by another kit.',
      [test.id],
    ),
    how: `${KIT_TRIED.nitrate} ${KIT_TRIED.nitrite} ${KIT_TRIED.ammonia}`,
  };
};
