import type { Band } from '../parameters/bands';
import { fromCanonical, withUnit } from '../parameters/convert';
import { PARAMETERS, type ParameterId } from '../parameters/registry';
import { formatPlain } from '../units/format';
import { unitDecimals, type Unit } from '../units/units';
import type { Consumption } from './consumption';
import { holdingOf, type Stability } from './stability';

/** A difference in a unit; units of salinity are no straight line, so it is taken at a value. */
function inUnit(difference: number, at: number, unit: Unit): number {
  return fromCanonical(at + difference, unit) - fromCanonical(at, unit);
}

function figure(value: number, unit: Unit): string {
  return formatPlain(Math.abs(value), unitDecimals(unit) + 1);
}

/** A rate of some size to a day, of a small one to a week: no row of zeros. */
function rateOf(perDay: number, at: number, unit: Unit) {
  const daily = Math.abs(inUnit(perDay, at, unit));
  const long = daily < 10 ** -unitDecimals(unit);
  return { times: long ? 7 : 1, per: long ? 'a week' : 'a day' };
}

/** Half of readings of a normal spread lie within 0.67 of it; eight in ten within 1.28. */
const EIGHT_IN_TEN = 1.28;
/** A swing of more than this share of the band is one, wherever its middle lies. */
const SWINGS = 0.3;

/** "drifting down 0.15 dKH a day, between 0.1 and 0.2"; "steady"; "too few to tell". */
export function holdingWords(
  stability: Stability | null,
  parameter: ParameterId,
  at: number,
  unit: Unit,
): string {
  if (!stability) return 'too few to tell';
  const holding = holdingOf(stability, PARAMETERS[parameter].steady);
  if (holding === 'steady') return 'steady';
  const { slope, slopeRange } = stability;
  const { times, per } = rateOf(slope, at, unit);
  const rate = (perDay: number) => figure(inUnit(perDay * times, at, unit), unit);
  const ends = [slopeRange.low, slopeRange.high].sort((a, b) => Math.abs(a) - Math.abs(b));
  return `drifting ${holding} ${withUnit(rate(slope), unit)} ${per}, between ${rate(ends[0] ?? 0)} and ${rate(ends[1] ?? 0)}`;
}

/** How far it swings about its own course, with how sure that is; and whether that is much. */
export function swingWords(
  { spread, spreadRange, count, days }: Stability,
  at: number,
  unit: Unit,
  band: Band | undefined,
): string {
  const swing = (value: number) => figure(inUnit(EIGHT_IN_TEN * value, at, unit), unit);
  const over = `over ${Math.round(days)} days and ${count} readings`;
  if (swing(spread) === '0') return `Eight in ten readings lie on one value, ${over}.`;
  const words = `Eight in ten readings lie within ${withUnit(swing(spread), unit)} of its course (${swing(spreadRange.low)} to ${swing(spreadRange.high)}), ${over}.`;
  const much = band && 2 * EIGHT_IN_TEN * spread > SWINGS * (band.high - band.low);
  return much
    ? `${words} That is a good part of its band: steadiness comes before the level.`
    : words;
}

/** What the tank uses in a day, in words. */
export function consumptionWords(use: Consumption, at: number, unit: Unit): string {
  const rate = (perDay: number) => formatPlain(inUnit(perDay, at, unit), unitDecimals(unit) + 1);
  if (use.perDay <= 0) {
    return 'Nothing is used that one could measure: what is drawn down is made up for.';
  }
  return `The tank uses about ${withUnit(rate(use.perDay), unit)} a day, by ${use.pairs} pairs of readings (half of them between ${rate(use.range.low)} and ${rate(use.range.high)}).`;
}
