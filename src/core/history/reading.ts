import { scaleInterval, type Interval } from '../math/interval';
import { corrected, driftDoubt, trustOf, type Check } from '../instruments/correction';
import { calibrateEvery } from '../instruments/calibrateEvery';
import { fromCanonical, toCanonical, withUnit } from '../parameters/convert';
import { PARAMETERS, type ParameterId } from '../parameters/registry';
import {
  kitDecimals,
  readingUnit,
  typedWords,
  type ReadingEntry,
  type ReadingValue,
} from '../records/kinds/reading';
import type { Kit } from '../records/schema/kit';
import { salinityFromHydrometer } from '../seawater/specificGravity';
import { addDaysIn, dayStart, instant } from '../time/zone';
import { formatFixed } from '../units/format';
import { isSalinityUnit, unitDecimals, type Unit } from '../units/units';

/** A reading turned into knowledge: where the true value may lie, and whether it can be trusted. */
export interface Reading {
  id: string;
  at: number;
  parameter: ParameterId;
  kitId: string;
  /** Middle of what was read, canonical unit of the parameter. */
  best: number;
  /** Where the true value lies if the kit is right, canonical unit. */
  range: Interval;
  /** Whether it shows the parameter at zero; null where it cannot show that either way. */
  zero: boolean | null;
  /** At least a whole step, or thrice the accuracy, above zero: more than a kit's own trace. */
  clearlyAbove: boolean;
  /** The reagents were past their date when it was made. */
  expired: boolean;
  /** False for a value that cannot occur; it is kept and shown but decides nothing. */
  counts: boolean;
  /** What it showed before its instrument's calibrations were taken into account, canonical; null where they change nothing. */
  asRead: number | null;
  /** As the keeper read it: "between 0.5 and 1". */
  typed: string;
  /** Unit it was read in. */
  unit: Unit;
  entry: ReadingEntry;
}

/** "1 ppm NO2", "between 0.5 and 1 ppm NO2"; "34.2 ppt (read as 35.4)" where its instrument was off. */
export function readingWords(reading: Reading): string {
  if (reading.asRead === null) return withUnit(reading.typed, reading.unit);
  return `${withUnit(correctedFigure(reading), reading.unit)} (read as ${reading.typed})`;
}

/** The corrected value in the unit and to the decimals that it was read in. */
export function correctedFigure({ best, unit, typed }: Reading): string {
  const decimals = Math.max(unitDecimals(unit), typed.split('.')[1]?.length ?? 0);
  return formatFixed(fromCanonical(best, unit), decimals);
}

/**
 * The part of the scale nearer to the chosen step(s) than to any other, in the kit's unit: half way
 * to each neighbour for one step, the span of both when the colour lay between two. The top step is
 * open upwards.
 */
export function cardRange(steps: readonly number[], low: number, high: number): Interval {
  const at = (i: number) => steps[i] ?? 0;
  if (high !== low) return { low: at(low), high: at(high) };
  return {
    low: low === 0 ? 0 : (at(low - 1) + at(low)) / 2,
    high: low === steps.length - 1 ? Infinity : (at(low) + at(low + 1)) / 2,
  };
}

interface Scaled {
  best: number;
  range: Interval;
  zero: boolean | null;
  clearlyAbove: boolean;
}

function scaleCard(
  value: Extract<ReadingValue, { form: 'card' }>,
  unit: Unit,
  dilution: number,
  zeroBelow: number | null,
): Scaled {
  const { steps, low, high } = value;
  const range = cardRange(steps, low, high);
  const middle = ((steps[low] ?? 0) + (steps[high] ?? 0)) / 2;
  const factor = toCanonical(1, unit) - toCanonical(0, unit);
  const lowest = (steps[0] ?? 0) * factor;
  const showsZero = zeroBelow !== null && dilution === 1 && lowest <= zeroBelow;
  const atLowest = low === 0 && high === 0;
  return {
    best: middle * factor * dilution,
    range: scaleInterval(range, factor * dilution),
    zero: atLowest ? (showsZero ? true : null) : zeroBelow === null ? null : false,
    clearlyAbove: low >= 1,
  };
}

function scaleDigital(
  value: Extract<ReadingValue, { form: 'digital' }>,
  unit: Unit,
  kit: Kit | undefined,
  waterTemperature: number | undefined,
  dilution: number,
  zeroBelow: number | null,
): Scaled {
  const scale = kit?.scale.form === 'digital' ? kit.scale : null;
  const uncompensated = scale?.compensated === false;
  const canonical = (typed: number): number => {
    if (uncompensated && waterTemperature !== undefined && isSalinityUnit(unit)) {
      if (unit === 'sg20' || unit === 'sg25' || unit === 'sg60F') {
        return salinityFromHydrometer(typed, unit, waterTemperature);
      }
      return toCanonical(typed, unit, waterTemperature);
    }
    return toCanonical(typed, unit);
  };
  const best = canonical(value.value) * dilution;
  const spread = scale ? Math.max(scale.resolution / 2, scale.accuracy) : 0;
  const floor = zeroBelow === null ? -Infinity : 0;
  const range = {
    low: Math.max(floor, canonical(value.value - spread) * dilution),
    high: canonical(value.value + spread) * dilution,
  };
  if (zeroBelow === null) return { best, range, zero: null, clearlyAbove: false };
  const noise = canonical(Math.max(scale?.resolution ?? 0, scale?.accuracy ?? 0));
  const atNoise = best <= noise + 1e-12;
  const canShowZero = noise <= zeroBelow && dilution === 1;
  return {
    best,
    range,
    zero: atNoise ? (canShowZero ? true : null) : false,
    clearlyAbove: best > Math.max(3 * noise, 0),
  };
}

/** A reading that is the middle of a span stands for all of it. */
function withSpread(range: Interval, { spread, dilution }: ReadingEntry, unit: Unit): Interval {
  if (!spread) return range;
  return {
    low: Math.min(range.low, toCanonical(spread.low, unit) * dilution),
    high: Math.max(range.high, toCanonical(spread.high, unit) * dilution),
  };
}

/** When the day printed on a kit is over, by kit and zone: zone arithmetic is slow, and kits are few. */
const ends = new WeakMap<Kit, Map<string, number>>();

function endOf(kit: Kit, day: string, zone: string): number {
  const byZone = ends.get(kit) ?? new Map<string, number>();
  ends.set(kit, byZone);
  const end = byZone.get(zone) ?? addDaysIn(dayStart(day, zone), 1, zone);
  byZone.set(zone, end);
  return end;
}

/** Whether a kit is past its date: the day printed on it is its last, in the keeper's zone. */
export function isPastItsDate(kit: Kit, at: number, zone: string): boolean {
  return kit.expiresOn !== null && at >= endOf(kit, kit.expiresOn, zone);
}

/** What an instrument showed, by what its calibrations say of it, and as wide as they leave it open. */
function setRight(shown: Scaled, kit: Kit, checks: readonly Check[], at: number): Scaled {
  if (kit.scale.form !== 'digital') return shown;
  const { value, doubt } = corrected(checks, shown.best, at);
  const every = calibrateEvery(kit);
  const accuracy = (shown.range.high - shown.range.low) / 2;
  const drift = every === null ? 0 : driftDoubt(trustOf(checks, every, at), accuracy);
  const wider = Math.max(doubt, drift);
  const { zeroBelow } = PARAMETERS[kit.parameter];
  const floor = zeroBelow === null ? -Infinity : 0;
  const range = {
    low: Math.max(floor, corrected(checks, shown.range.low, at).value - wider),
    high: corrected(checks, shown.range.high, at).value + wider,
  };
  // A correction can take a zero away and never make one: what was not read at zero shows none.
  const zero =
    shown.zero === true && zeroBelow !== null && range.high > zeroBelow ? null : shown.zero;
  const clearlyAbove = shown.clearlyAbove && range.low > 0;
  return { best: Math.max(floor, value), range, zero, clearlyAbove };
}

/**
 * A reading entry in canonical units, through the kit it was made with.
 * @param waterTemperature °C near that time, for instruments that do not correct for it themselves
 * @param checks calibrations of the kit, in order of time
 */
export function toReading(
  id: string,
  entry: ReadingEntry,
  kit: Kit | undefined,
  zone: string,
  waterTemperature?: number,
  checks: readonly Check[] = [],
): Reading {
  const spec = PARAMETERS[entry.parameter];
  const unit = readingUnit(entry, kit);
  const at = instant(entry.at);
  const shown =
    entry.value.form === 'card'
      ? scaleCard(entry.value, unit, entry.dilution, spec.zeroBelow)
      : scaleDigital(entry.value, unit, kit, waterTemperature, entry.dilution, spec.zeroBelow);
  if (entry.spread && entry.value.form === 'digital')
    shown.range = withSpread(shown.range, entry, unit);
  // A calibration in a unit of something else, of a kit that was changed since, says nothing of this.
  const own = checks.filter((check) => check.dimension === spec.dimension);
  const scaled = own.length > 0 && kit ? setRight(shown, kit, own, at) : shown;
  return {
    id,
    at,
    parameter: entry.parameter,
    kitId: entry.kitId,
    ...scaled,
    asRead: scaled === shown || Math.abs(scaled.best - shown.best) < 1e-9 ? null : shown.best,
    expired: kit !== undefined && isPastItsDate(kit, at, zone),
    counts: scaled.best >= spec.possible.low - 1e-9 && scaled.best <= spec.possible.high + 1e-9,
    typed: typedWords(entry.value, kitDecimals(kit, unit)),
    unit,
    entry,
  };
}
