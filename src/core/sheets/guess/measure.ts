import { toCanonical } from '../../parameters/convert';
import { PARAMETERS, type ParameterId } from '../../parameters/registry';
import type { Unit } from '../../units/units';
import { measureIn, scaled, type Measure, type Scaling } from '../read/names';
import type { Option } from './question';

const as = (unit: Unit, scaling: Scaling = 'plain'): Measure => ({ unit, scaling });

/**
 * What numbers of a parameter may be in, the usual first. Which of them it is, where no heading says so,
 * their range tells.
 */
const CANDIDATES: Record<ParameterId, readonly Measure[]> = {
  ammonia: [as('ammonia NH4'), as('ammonia N'), as('ammonia NH3'), as('ammonia NH4', 'thousandth')],
  freeAmmonia: [as('free NH3-N'), as('free NH3')],
  nitrite: [as('nitrite NO2'), as('nitrite N'), as('nitrite ppb N')],
  nitrate: [as('nitrate NO3'), as('nitrate N'), as('nitrate NO3', 'thousandth')],
  ph: [as('pH')],
  alkalinity: [as('dKH'), as('meq/L'), as('ppm CaCO3')],
  salinity: [
    as('ppt'),
    as('sg25'),
    as('sg20'),
    as('sg60F'),
    as('sg25', 'thousandth'),
    as('sg20', 'thousandth'),
    as('sg60F', 'thousandth'),
    as('sg25', 'shortGravity'),
    as('mS/cm'),
  ],
  temperature: [as('°C'), as('°F'), as('°C', 'byRange')],
  phosphate: [as('ppm PO4'), as('ppb P'), as('ppb PO4'), as('ppm P')],
  calcium: [as('ppm Ca')],
  magnesium: [as('ppm Mg')],
};

/** Above it a temperature is no tank's in °C, and any house's in °F. */
const FAHRENHEIT_FROM = 50;

/** The unit and the value of a number as it stands in the sheet. */
export function inUnit(value: number, { unit, scaling }: Measure): { value: number; unit: Unit } {
  if (scaling !== 'byRange') return { value: scaled(value, scaling), unit };
  return { value, unit: value >= FAHRENHEIT_FROM ? '°F' : '°C' };
}

/** Share of numbers that a tank with a keeper shows, were they meant so, 0 to 1. */
export function likelyShare(
  parameter: ParameterId,
  numbers: readonly number[],
  how: Measure,
): number {
  return shareWithin(parameter, numbers, how, 'likely');
}

/** Share of numbers within what a tank shows, or within what can be at all, were they meant so, 0 to 1. */
export function shareWithin(
  parameter: ParameterId,
  numbers: readonly number[],
  how: Measure,
  range: 'likely' | 'possible',
): number {
  const { low, high } = PARAMETERS[parameter][range];
  const fitting = numbers.filter((number) => {
    const { value, unit } = inUnit(number, how);
    const canonical = toCanonical(value, unit);
    return canonical >= low - 1e-9 && canonical <= high + 1e-9;
  });
  return numbers.length === 0 ? 1 : fitting.length / numbers.length;
}

const WORDS: Partial<Record<Unit, string>> = {
  'ammonia NH4': 'ppm NH4',
  'ammonia NH3': 'ppm NH3',
  'ammonia N': 'ppm as nitrogen',
  'nitrite NO2': 'ppm NO2',
  'nitrite N': 'ppm as nitrogen',
  'nitrite ppb N': 'ppb as nitrogen',
  'nitrate NO3': 'ppm NO3',
  'nitrate N': 'ppm as nitrogen',
  sg25: 'specific gravity, read at 25 °C',
  sg20: 'specific gravity, read at 20 °C',
  sg60F: 'specific gravity, read at 60 °F',
  'ppm Ca': 'ppm',
  'ppm Mg': 'ppm',
};

/** What a unit and its scaling are called where one is chosen. */
export function measureWords({ unit, scaling }: Measure): string {
  if (scaling === 'byRange') return '°C and °F, told apart by their range';
  const words = WORDS[unit] ?? unit;
  if (scaling === 'plain') return words;
  if (scaling === 'shortGravity') return 'the last two digits of a gravity: 25 is 1.025';
  return unit.startsWith('sg')
    ? words.replace('gravity', 'gravity as 1025')
    : `µg/L of ${words.replace('ppm ', '')}`;
}

/** A measure as a choice's value, and back. */
export const measureKey = ({ unit, scaling }: Measure): string => `${unit}|${scaling}`;

/** The measures that a parameter may be in, as choices. */
export function measureOptions(parameter: ParameterId): (Option & { measure: Measure })[] {
  return CANDIDATES[parameter].map((measure) => ({
    value: measureKey(measure),
    label: measureWords(measure),
    measure,
  }));
}

/** Numbers that have to be likely before a range tells anything. */
const MOST_OF_THEM = 0.8;

export interface MeasureGuess {
  measure: Measure;
  /** The range told it and no heading: to be asked. */
  asked: boolean;
}

/**
 * The unit that numbers are in: as the heading or the cells say, where that can be; else the first that makes
 * most of them likely. What is not the usual one, and was said by nobody, is asked.
 */
export function guessMeasure(
  parameter: ParameterId,
  words: string,
  numbers: readonly number[],
): MeasureGuess {
  const candidates = CANDIDATES[parameter];
  const [usual] = candidates as [Measure];
  const told = measureIn(parameter, words);
  if (told && (numbers.length === 0 || likelyShare(parameter, numbers, told) >= 0.5)) {
    const mixed = as('°C', 'byRange');
    const better =
      parameter === 'temperature' &&
      likelyShare(parameter, numbers, told) < 1 &&
      likelyShare(parameter, numbers, mixed) === 1;
    return better ? { measure: mixed, asked: true } : { measure: told, asked: false };
  }
  // Most of the numbers are likely in the usual unit, but not all: perhaps all are in another.
  const shares = candidates.map((measure) => likelyShare(parameter, numbers, measure));
  const whole = shares.findIndex((share) => share === 1);
  const most = shares.findIndex((share) => share >= MOST_OF_THEM);
  const found = candidates[whole >= 0 ? whole : most];
  if (found === undefined) return { measure: told ?? usual, asked: false };
  return { measure: found, asked: found !== usual || gravityOrSalt(parameter, numbers) };
}

/** Numbers from 20 to 29: salt of a brackish tank, or a gravity's last digits. */
const SHORT = { low: 20, high: 29.5 };

function gravityOrSalt(parameter: ParameterId, numbers: readonly number[]): boolean {
  return (
    parameter === 'salinity' &&
    numbers.length > 0 &&
    numbers.every((number) => number >= SHORT.low && number <= SHORT.high)
  );
}
