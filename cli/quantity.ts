import {
  ALL_UNITS,
  dimensionOf,
  fromCanonical,
  isSalinityUnit,
  parseNumber,
  toCanonical,
  unitSymbol,
  type Unit,
} from '../src/core';
import { CliError } from './errors';

/** Other ways people write a unit, in lower case. Parts per million is read with `--of`. */
const SYNONYMS: Record<string, Unit> = {
  l: 'L',
  litre: 'L',
  litres: 'L',
  liter: 'L',
  liters: 'L',
  ml: 'mL',
  gal: 'gal',
  gallon: 'gal',
  gallons: 'gal',
  c: '°C',
  f: '°F',
  '°c': '°C',
  '°f': '°F',
  dkh: 'dKH',
  'meq/l': 'meq/L',
  ppt: 'ppt',
  psu: 'ppt',
  'g/kg': 'ppt',
  'ms/cm': 'mS/cm',
  sg25: 'sg25',
  sg20: 'sg20',
  sg60f: 'sg60F',
  cm: 'cm',
  mm: 'mm',
  in: 'in',
  inch: 'in',
  inches: 'in',
  g: 'g',
  kg: 'kg',
  lb: 'lb',
  oz: 'oz',
  ph: 'pH',
};

/** What a table of our own holds under a word that somebody typed: nothing that every object has. */
const own = <T>(table: Readonly<Record<string, T>>, word: string): T | undefined =>
  Object.hasOwn(table, word) ? table[word] : undefined;

type Part = 'ppm' | 'ppb';
type Substances = Record<string, Partial<Record<Part, Unit>>>;

/** A unit of parts, taken apart: "nitrite ppb N" is ppb of nitrite as N. */
function partsOf(unit: Unit): { part: Part; what: string; basis: string } | null {
  const words = `${unitSymbol(unit)} ${unit}`.toLowerCase().split(/\s+/);
  const part = words.find((word): word is Part => word === 'ppm' || word === 'ppb');
  const basis = unit.toLowerCase().split(' ').at(-1) ?? '';
  return part ? { part, what: dimensionOf(unit), basis } : null;
}

/**
 * What `--of` can say a concentration is of, and the unit it is then read in, from the units
 * themselves: "nitrite no2" always, "no2" where nothing else is counted so, "calcium" where it is
 * counted in one way alone.
 */
function substances(): Substances {
  const parts = ALL_UNITS.flatMap((unit) => {
    const found = partsOf(unit);
    return found ? [{ unit, ...found }] : [];
  });
  const names: Substances = {};
  for (const { unit, part, what, basis } of parts) {
    const alone = parts.every((other) => other.what === what || other.basis !== basis);
    const only = parts.every((other) => other.what !== what || other.basis === basis);
    const spoken = [`${what} ${basis}`, ...(alone ? [basis] : []), ...(only ? [what] : [])];
    for (const name of spoken) names[name] = { ...names[name], [part]: unit };
  }
  return names;
}

const SUBSTANCES = substances();

const CONCENTRATIONS: Record<string, Part> = {
  ppm: 'ppm',
  'mg/l': 'ppm',
  ppb: 'ppb',
  'µg/l': 'ppb',
  'ug/l': 'ppb',
};

/** A unit as written, or the bare concentration that `--of` or the other side must explain. */
export type Written = { unit: Unit } | { bare: Part };

/** @throws CliError for a unit that nobody knows */
export function readUnit(text: string, of: string | undefined): Written {
  const written = text.trim();
  const exact = ALL_UNITS.find((unit) => unit === written);
  if (exact) return { unit: exact };
  const lower = written.toLowerCase();
  const synonym = own(SYNONYMS, lower);
  if (synonym) return { unit: synonym };
  const substance = own(SUBSTANCES, lower)?.ppm;
  if (substance) return { unit: substance };
  const [head = '', ...rest] = lower.split(/\s+/);
  const scale = own(CONCENTRATIONS, head);
  if (!scale) throw new CliError(`Unknown unit "${written}". Known: ${ALL_UNITS.join(', ')}.`);
  const name = rest.length > 0 ? rest.join(' ') : of?.toLowerCase().replace(/[-_]/g, ' ');
  if (name === undefined) return { bare: scale };
  const unit = own(SUBSTANCES, name)?.[scale];
  if (!unit) {
    throw new CliError(
      `Unknown substance "${name}" for ${head}. Known: ${Object.keys(SUBSTANCES).join(', ')}.`,
    );
  }
  return { unit };
}

/** A bare ppm beside an alkalinity means mg/L CaCO3; beside anything else it needs `--of`. */
function settle(written: Written, other: Written, text: string): Unit {
  if ('unit' in written) return written.unit;
  if (written.bare === 'ppm' && 'unit' in other && dimensionOf(other.unit) === 'alkalinity') {
    return 'ppm CaCO3';
  }
  throw new CliError(
    `"${text}" does not say of what. Add --of, for example --of NH4, --of "nitrite N" or --of CaCO3.`,
  );
}

export interface Conversion {
  value: number;
  /** The target unit, as it was asked for. */
  unit: string;
}

/**
 * Converts a written quantity such as "53.07 mS/cm".
 * @param temperature °C, needed by conductivity alone
 */
export function convertQuantity(
  text: string,
  target: string,
  options: { of?: string; temperature?: number } = {},
): Conversion {
  const match = /^\s*([-\u2212]?[\d.,\s]*\d[\d.,]*)\s*(\D.*)$/.exec(text);
  const value = match ? parseNumber(match[1] ?? '') : null;
  if (!match || value === null) {
    throw new CliError(`"${text}" is not a number with a unit, such as "53.07 mS/cm".`);
  }
  const from = readUnit(match[2] ?? '', options.of);
  const to = readUnit(target, options.of);
  const fromUnit = settle(from, to, text);
  const toUnit = settle(to, from, target);
  if (dimensionOf(fromUnit) !== dimensionOf(toUnit)) {
    throw new CliError(`${fromUnit} and ${toUnit} do not measure the same thing.`);
  }
  checkRange(value, fromUnit);
  if ([fromUnit, toUnit].includes('mS/cm') && options.temperature === undefined) {
    throw new CliError('Conductivity needs the temperature of the water: add --temp, in °C.');
  }
  const canonical = toCanonical(value, fromUnit, options.temperature);
  const converted = fromCanonical(canonical, toUnit, options.temperature);
  return { value: Number(converted.toPrecision(10)), unit: target.trim() };
}

function checkRange(value: number, unit: Unit): void {
  const signed = unit === '°C' || unit === '°F';
  if (!signed && value < 0) throw new CliError(`A negative ${unit} does not exist.`);
  if (unit.startsWith('sg') && (value < 0.99 || value > 1.06)) {
    throw new CliError(`A specific gravity lies between 0.99 and 1.06; ${value} does not.`);
  }
  if (isSalinityUnit(unit) && unit !== 'mS/cm' && !unit.startsWith('sg') && value > 60) {
    throw new CliError(`A salinity of ${value} ppt is beyond the equations, which end at 60.`);
  }
  if (unit === 'mS/cm' && value > 120) {
    throw new CliError(`A conductivity of ${value} mS/cm is beyond the equations.`);
  }
}
