import { isAmmoniaSource } from '../../records/kinds/dose';
import type { Reading } from '../../history/reading';
import { countedReadings, nearestReading, type TankHistory } from '../../history/tankHistory';
import { AGREES_DAYS, freeShareAt, middleShare, ownAmmoniaTests } from '../../monitor/ownTests';
import { PARAMETERS } from '../../parameters/registry';
import { DAY_MS } from '../../time/zone';
import { formatFixed } from '../../units/format';

/** Days for which a rise shows that a probe works: its film ages, and a dead one reads zero for ever. */
export const ROSE_DAYS = 30;
/** Days about a dose between which a probe that works is seen to rise. */
const ABOUT_DOSE = 3 * DAY_MS;
/** How far apart a probe's hour and the keeper's own test of the same water may lie. */
const SAME_WATER = DAY_MS;

/**
 * A reading of free ammonia as one of ammonia, mg N/L. It shows a zero only where all that the probe may be off by
 * is, at the lowest pH that the hour allows, no more ammonia than a kit may call zero; within thrice that it says
 * neither.
 */
function asAmmonia(history: TankHistory, free: Reading): Reading {
  const share = freeShareAt(history, free.at);
  const middle = middleShare(share);
  const range = { low: free.range.low / share.high, high: free.range.high / share.low };
  const best = free.best / middle;
  const offBy = (free.range.high - free.best) / share.low;
  const zeroBelow = PARAMETERS.ammonia.zeroBelow ?? 0;
  return {
    ...free,
    parameter: 'ammonia',
    best,
    range,
    zero: free.zero === true && offBy <= zeroBelow ? true : free.clearlyAbove ? false : null,
    unit: 'ammonia N',
    typed: formatFixed(best, 2),
    asRead: null,
  };
}

/** Whether a probe stood higher soon after a dose of ammonia than before it, not too long before a moment. */
function rose(history: TankHistory, own: readonly Reading[], at: number): boolean {
  return history.entries.dose.some((dose) => {
    if (!isAmmoniaSource(dose.entry.substance)) return false;
    if (dose.at > at || dose.at < at - ROSE_DAYS * DAY_MS) return false;
    const before = own.findLast((one) => one.at <= dose.at && one.at > dose.at - ABOUT_DOSE);
    return (
      before !== undefined &&
      own.some(
        (one) =>
          one.at > dose.at &&
          one.at <= Math.min(at, dose.at + ABOUT_DOSE) &&
          one.clearlyAbove &&
          one.range.low > before.range.high,
      )
    );
  });
}

/** Whether a probe agreed with the keeper's own test of the same water: the one nearest to a moment, if within two weeks. */
function agreed(tests: readonly Reading[], ofProbe: readonly Reading[], at: number): boolean {
  const test = nearestReading(tests, at, AGREES_DAYS * DAY_MS);
  if (!test) return false;
  const then = nearestReading(ofProbe, test.at, SAME_WATER);
  return (
    then !== undefined && then.range.low <= test.range.high && test.range.low <= then.range.high
  );
}

const known = new WeakMap<TankHistory, readonly Reading[]>();

/**
 * What probes of free ammonia say of ammonia, mg N/L, oldest first: of those alone that were seen to rise with a
 * dose and that agree with the keeper's own test (`AGREES_DAYS`, `ROSE_DAYS`). A probe that has died reads zero, and
 * nothing in its figure tells so.
 */
export function probedAmmonia(history: TankHistory): readonly Reading[] {
  const found = known.get(history);
  if (found) return found;
  const free = countedReadings(history, 'freeAmmonia').filter(({ expired }) => !expired);
  const counts: Reading[] = [];
  if (free.length > 0) {
    const tests = ownAmmoniaTests(history);
    for (const probe of new Set(free.map(({ kitId }) => kitId))) {
      const own = free.filter(({ kitId }) => kitId === probe);
      const asked = own.map((one) => asAmmonia(history, one));
      counts.push(...asked.filter(({ at }) => rose(history, own, at) && agreed(tests, asked, at)));
    }
  }
  counts.sort((a, b) => a.at - b.at);
  known.set(history, counts);
  return counts;
}

const merged = new WeakMap<TankHistory, readonly Reading[]>();

/** The readings of ammonia that may decide a verdict: the keeper's own and those of probes that are trusted. */
export function ammoniaReadings(history: TankHistory): readonly Reading[] {
  const own = countedReadings(history, 'ammonia');
  const probed = probedAmmonia(history);
  if (probed.length === 0) return own;
  const before = merged.get(history);
  if (before) return before;
  const all = [...own, ...probed].sort((a, b) => a.at - b.at);
  merged.set(history, all);
  return all;
}

/** The last reading by which a trusted probe says that there is ammonia, or that there is none. */
export const saidByProbe = (history: TankHistory): Reading | undefined =>
  probedAmmonia(history).findLast(({ zero }) => zero !== null);

/** Whether a reading of ammonia was made by a probe of free ammonia. */
export const isProbed = (reading: Reading): boolean => reading.entry.parameter === 'freeAmmonia';
