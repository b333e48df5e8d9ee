import { withUnit } from '../parameters/convert';
import { DAY_MS } from '../time/zone';
import { countOf, formatSignificant } from '../units/format';
import type { Unit } from '../units/units';
import { trustOf, type Check } from './correction';

/** Less than this of a unit is no fault worth a word. */
const NO_FAULT = 1e-6;

/**
 * How an instrument stands towards its standards, in words.
 * @param unit canonical unit of what it measures
 * @param every days after which it is calibrated again
 */
export function trustWords(
  unit: Unit,
  checks: readonly Check[],
  every: number,
  now: number,
): string {
  const last = checks.findLast((check) => check.at <= now);
  if (!last) return 'never checked against a standard';
  const { state } = trustOf(checks, every, now);
  const days = Math.floor((now - last.at) / DAY_MS);
  const ago = days === 0 ? 'today' : `${countOf(days, 'day')} ago`;
  const due = state === 'overdue' ? ': due again' : '';
  const { offset, slope } = last.fault;
  if (Math.abs(offset) < NO_FAULT && Math.abs(slope - 1) < NO_FAULT) {
    return `right against its standard ${ago}${due}`;
  }
  const off =
    slope === 1
      ? `showed ${withUnit(formatSignificant(Number(Math.abs(offset).toPrecision(2)), 2), unit)} too ${offset > 0 ? 'much' : 'little'}`
      : 'was off';
  return `checked against its standard ${ago}, ${off}, ${last.adjusted ? 'set right then' : 'left as it is'}${due}`;
}
