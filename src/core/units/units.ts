import { CACO3_PER_DKH, LITRES_PER_GALLON, MEQ_PER_DKH, MOLAR_MASS, PO4_PER_P } from './constants';

/** What a unit measures. Salinity is not linear and lives in core/seawater. */
export type Dimension =
  | 'volume'
  | 'length'
  | 'mass'
  | 'temperature'
  | 'ammonia'
  | 'freeAmmonia'
  | 'nitrite'
  | 'nitrate'
  | 'alkalinity'
  | 'phosphate'
  | 'calcium'
  | 'magnesium'
  | 'ph'
  | 'salinity';

interface UnitSpec {
  dimension: Dimension;
  /** As printed beside a number. */
  symbol: string;
  /** canonical = value × factor + offset. */
  factor: number;
  offset?: number;
  /** Decimals shown unless an instrument's resolution says otherwise. */
  decimals: number;
}

const N = MOLAR_MASS.N;
const CACO3_FACTOR = MEQ_PER_DKH / CACO3_PER_DKH;

/**
 * Every linear unit, with its factor to the canonical unit of its dimension:
 * L, cm, g, °C, mg/L as N (ammonia, nitrite, nitrate), meq/L, mg/L as PO4, mg/L (Ca, Mg), pH.
 */
export const UNITS = {
  L: { dimension: 'volume', symbol: 'L', factor: 1, decimals: 1 },
  mL: { dimension: 'volume', symbol: 'mL', factor: 0.001, decimals: 0 },
  gal: { dimension: 'volume', symbol: 'gal', factor: LITRES_PER_GALLON, decimals: 1 },
  cm: { dimension: 'length', symbol: 'cm', factor: 1, decimals: 1 },
  mm: { dimension: 'length', symbol: 'mm', factor: 0.1, decimals: 0 },
  in: { dimension: 'length', symbol: 'in', factor: 2.54, decimals: 1 },
  g: { dimension: 'mass', symbol: 'g', factor: 1, decimals: 1 },
  kg: { dimension: 'mass', symbol: 'kg', factor: 1000, decimals: 1 },
  lb: { dimension: 'mass', symbol: 'lb', factor: 453.59237, decimals: 1 },
  oz: { dimension: 'mass', symbol: 'oz', factor: 28.349523, decimals: 1 },
  '°C': { dimension: 'temperature', symbol: '°C', factor: 1, decimals: 1 },
  '°F': { dimension: 'temperature', symbol: '°F', factor: 5 / 9, offset: -160 / 9, decimals: 1 },
  'ammonia N': { dimension: 'ammonia', symbol: 'ppm N', factor: 1, decimals: 2 },
  'ammonia NH3': {
    dimension: 'ammonia',
    symbol: 'ppm NH3',
    factor: N / MOLAR_MASS.NH3,
    decimals: 2,
  },
  'ammonia NH4': {
    dimension: 'ammonia',
    symbol: 'ppm NH4',
    factor: N / MOLAR_MASS.NH4,
    decimals: 2,
  },
  // Free ammonia is a part of ammonia and moves with pH: a dimension of its own, so that neither is read as the other.
  'free NH3-N': { dimension: 'freeAmmonia', symbol: 'ppm NH3-N', factor: 1, decimals: 3 },
  'free NH3': {
    dimension: 'freeAmmonia',
    symbol: 'ppm NH3',
    factor: N / MOLAR_MASS.NH3,
    decimals: 3,
  },
  'nitrite N': { dimension: 'nitrite', symbol: 'ppm N', factor: 1, decimals: 2 },
  'nitrite NO2': {
    dimension: 'nitrite',
    symbol: 'ppm NO2',
    factor: N / MOLAR_MASS.NO2,
    decimals: 2,
  },
  'nitrite ppb N': { dimension: 'nitrite', symbol: 'ppb N', factor: 0.001, decimals: 0 },
  'nitrate N': { dimension: 'nitrate', symbol: 'ppm N', factor: 1, decimals: 1 },
  'nitrate NO3': {
    dimension: 'nitrate',
    symbol: 'ppm NO3',
    factor: N / MOLAR_MASS.NO3,
    decimals: 1,
  },
  'meq/L': { dimension: 'alkalinity', symbol: 'meq/L', factor: 1, decimals: 2 },
  dKH: { dimension: 'alkalinity', symbol: 'dKH', factor: MEQ_PER_DKH, decimals: 1 },
  'ppm CaCO3': { dimension: 'alkalinity', symbol: 'ppm CaCO3', factor: CACO3_FACTOR, decimals: 0 },
  'ppm PO4': { dimension: 'phosphate', symbol: 'ppm PO4', factor: 1, decimals: 2 },
  'ppm P': { dimension: 'phosphate', symbol: 'ppm P', factor: PO4_PER_P, decimals: 3 },
  'ppb P': { dimension: 'phosphate', symbol: 'ppb P', factor: PO4_PER_P / 1000, decimals: 0 },
  'ppb PO4': { dimension: 'phosphate', symbol: 'ppb PO4', factor: 0.001, decimals: 0 },
  'ppm Ca': { dimension: 'calcium', symbol: 'ppm', factor: 1, decimals: 0 },
  'ppm Mg': { dimension: 'magnesium', symbol: 'ppm', factor: 1, decimals: 0 },
  pH: { dimension: 'ph', symbol: '', factor: 1, decimals: 2 },
} as const satisfies Record<string, UnitSpec>;

export type LinearUnit = keyof typeof UNITS;

/** Units in which salinity is read; see core/seawater/salinity for their meaning. */
export const SALINITY_UNITS = {
  ppt: { symbol: 'ppt', decimals: 1 },
  sg25: { symbol: 'SG 25/25', decimals: 4 },
  sg20: { symbol: 'SG 20/20', decimals: 4 },
  sg60F: { symbol: 'SG 60/60 °F', decimals: 4 },
  'mS/cm': { symbol: 'mS/cm', decimals: 1 },
} as const;

export type SalinityUnit = keyof typeof SALINITY_UNITS;
export type Unit = LinearUnit | SalinityUnit;

export const ALL_UNITS = [
  ...(Object.keys(UNITS) as LinearUnit[]),
  ...(Object.keys(SALINITY_UNITS) as SalinityUnit[]),
] as [Unit, ...Unit[]];

export function isSalinityUnit(unit: Unit): unit is SalinityUnit {
  return unit in SALINITY_UNITS;
}

/** The dimension a unit belongs to. */
export function dimensionOf(unit: Unit): Dimension {
  return isSalinityUnit(unit) ? 'salinity' : UNITS[unit].dimension;
}

/** The unit as printed beside a number; empty for pH. */
export function unitSymbol(unit: Unit): string {
  return isSalinityUnit(unit) ? SALINITY_UNITS[unit].symbol : UNITS[unit].symbol;
}

/** Decimals a computed value is shown with in this unit. */
export function unitDecimals(unit: Unit): number {
  return isSalinityUnit(unit) ? SALINITY_UNITS[unit].decimals : UNITS[unit].decimals;
}

/** From `unit` to the canonical unit of its dimension. */
export function linearToCanonical(value: number, unit: LinearUnit): number {
  const spec: UnitSpec = UNITS[unit];
  return value * spec.factor + (spec.offset ?? 0);
}

/** From the canonical unit of its dimension to `unit`. */
export function linearFromCanonical(value: number, unit: LinearUnit): number {
  const spec: UnitSpec = UNITS[unit];
  return (value - (spec.offset ?? 0)) / spec.factor;
}

/** Between two linear units of one dimension. Throws a RangeError when their dimensions differ. */
export function convertLinear(value: number, from: LinearUnit, to: LinearUnit): number {
  if (UNITS[from].dimension !== UNITS[to].dimension) {
    throw new RangeError(`${from} and ${to} do not measure the same thing`);
  }
  return linearFromCanonical(linearToCanonical(value, from), to);
}
