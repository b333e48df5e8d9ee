import type { Interval } from '../math/interval';
import type { Dimension, Unit } from '../units/units';

export const PARAMETER_IDS = [
  'ammonia',
  'nitrite',
  'nitrate',
  'ph',
  'alkalinity',
  'salinity',
  'temperature',
  'phosphate',
  'calcium',
  'magnesium',
] as const;

export type ParameterId = (typeof PARAMETER_IDS)[number];

export interface ParameterSpec {
  id: ParameterId;
  /** As the keeper says it. */
  name: string;
  /** In the middle of a sentence. */
  inSentence: string;
  dimension: Dimension;
  /** The unit the core computes in; also the first one offered for reading it. */
  canonicalUnit: Unit;
  /** Units an instrument or the display may use, most usual first. */
  units: readonly [Unit, ...Unit[]];
  /** A reading older than this many days says nothing about today. */
  guardDays: number;
  /** Canonical values outside this range cannot occur in a tank: a slip while typing. */
  possible: Interval;
  /** Canonical values outside this range are worth asking about once. */
  likely: Interval;
  /** Canonical value at and below which a reading may count as zero; null where zero has no meaning. */
  zeroBelow: number | null;
  /** Whether it may sensibly be shown on a logarithmic or zero-based scale: zero-based ones start at 0. */
  zeroBased: boolean;
  /** The smallest change, canonical, that a trend may be called by. */
  steady: number;
}

/**
 * Everything that differs between parameters, as data. Guard ages and ranges are practice limits;
 * `possible` spans what can be dissolved in a tank at all, `likely` what a tank with a keeper shows.
 */
export const PARAMETERS: Record<ParameterId, ParameterSpec> = {
  ammonia: {
    id: 'ammonia',
    name: 'Ammonia',
    inSentence: 'ammonia',
    dimension: 'ammonia',
    canonicalUnit: 'ammonia N',
    units: ['ammonia NH4', 'ammonia NH3', 'ammonia N'],
    guardDays: 3,
    possible: { low: 0, high: 50 },
    likely: { low: 0, high: 8 },
    zeroBelow: 0.1,
    zeroBased: true,
    steady: 0.1,
  },
  nitrite: {
    id: 'nitrite',
    name: 'Nitrite',
    inSentence: 'nitrite',
    dimension: 'nitrite',
    canonicalUnit: 'nitrite N',
    units: ['nitrite NO2', 'nitrite N', 'nitrite ppb N'],
    guardDays: 3,
    possible: { low: 0, high: 50 },
    likely: { low: 0, high: 8 },
    zeroBelow: 0.1,
    zeroBased: true,
    steady: 0.05,
  },
  nitrate: {
    id: 'nitrate',
    name: 'Nitrate',
    inSentence: 'nitrate',
    dimension: 'nitrate',
    canonicalUnit: 'nitrate N',
    units: ['nitrate NO3', 'nitrate N'],
    guardDays: 14,
    possible: { low: 0, high: 120 },
    likely: { low: 0, high: 30 },
    zeroBelow: 0.3,
    zeroBased: true,
    steady: 0.3,
  },
  ph: {
    id: 'ph',
    name: 'pH',
    inSentence: 'pH',
    dimension: 'ph',
    canonicalUnit: 'pH',
    units: ['pH'],
    guardDays: 14,
    possible: { low: 3, high: 12 },
    likely: { low: 7.4, high: 8.7 },
    zeroBelow: null,
    zeroBased: false,
    steady: 0.1,
  },
  alkalinity: {
    id: 'alkalinity',
    name: 'Alkalinity',
    inSentence: 'alkalinity',
    dimension: 'alkalinity',
    canonicalUnit: 'meq/L',
    units: ['dKH', 'meq/L', 'ppm CaCO3'],
    guardDays: 14,
    possible: { low: 0, high: 15 },
    likely: { low: 1.4, high: 5 },
    zeroBelow: null,
    zeroBased: false,
    steady: 0.11,
  },
  salinity: {
    id: 'salinity',
    name: 'Salinity',
    inSentence: 'salinity',
    dimension: 'salinity',
    canonicalUnit: 'ppt',
    units: ['ppt', 'sg20', 'sg25', 'sg60F', 'mS/cm'],
    guardDays: 7,
    possible: { low: 0, high: 55 },
    likely: { low: 27, high: 39 },
    zeroBelow: null,
    zeroBased: false,
    steady: 0.4,
  },
  temperature: {
    id: 'temperature',
    name: 'Temperature',
    inSentence: 'temperature',
    dimension: 'temperature',
    canonicalUnit: '°C',
    units: ['°C', '°F'],
    guardDays: 3,
    possible: { low: 0, high: 45 },
    likely: { low: 20, high: 30 },
    zeroBelow: null,
    zeroBased: false,
    steady: 0.4,
  },
  phosphate: {
    id: 'phosphate',
    name: 'Phosphate',
    inSentence: 'phosphate',
    dimension: 'phosphate',
    canonicalUnit: 'ppm PO4',
    units: ['ppm PO4', 'ppb P', 'ppm P', 'ppb PO4'],
    guardDays: 14,
    possible: { low: 0, high: 30 },
    likely: { low: 0, high: 3 },
    zeroBelow: 0.01,
    zeroBased: true,
    steady: 0.02,
  },
  calcium: {
    id: 'calcium',
    name: 'Calcium',
    inSentence: 'calcium',
    dimension: 'calcium',
    canonicalUnit: 'ppm Ca',
    units: ['ppm Ca'],
    guardDays: 30,
    possible: { low: 0, high: 1500 },
    likely: { low: 250, high: 600 },
    zeroBelow: null,
    zeroBased: false,
    steady: 15,
  },
  magnesium: {
    id: 'magnesium',
    name: 'Magnesium',
    inSentence: 'magnesium',
    dimension: 'magnesium',
    canonicalUnit: 'ppm Mg',
    units: ['ppm Mg'],
    guardDays: 30,
    possible: { low: 0, high: 4000 },
    likely: { low: 800, high: 1800 },
    zeroBelow: null,
    zeroBased: false,
    steady: 40,
  },
};

/** The parameter that a unit belongs to: dimensions and parameters are one to one. */
export function parameterOfDimension(dimension: Dimension): ParameterId | null {
  return PARAMETER_IDS.find((id) => PARAMETERS[id].dimension === dimension) ?? null;
}
