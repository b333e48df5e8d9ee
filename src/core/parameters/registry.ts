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
  /** The unit it is shown in until the keeper chooses another. */
  shownUnit: Unit;
  /** Whether its units are bases printed on the kit: a corrected basis corrects the kit's history. */
  basis: boolean;
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
  /** A change since the last reading, canonical, that is worth asking about; null where none is. */
  jump: number | null;
  /** Days between two tests by what the tank is doing; null where it is not asked for. */
  everyDays: { cycling: number | null; running: number | null };
  /** Minutes that a test takes. */
  minutes: number;
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
    shownUnit: 'ammonia N',
    basis: true,
    guardDays: 3,
    possible: { low: 0, high: 50 },
    likely: { low: 0, high: 8 },
    zeroBelow: 0.1,
    zeroBased: true,
    steady: 0.1,
    jump: null,
    everyDays: { cycling: 2, running: 30 },
    minutes: 6,
  },
  nitrite: {
    id: 'nitrite',
    name: 'Nitrite',
    inSentence: 'nitrite',
    dimension: 'nitrite',
    canonicalUnit: 'nitrite N',
    units: ['nitrite NO2', 'nitrite N', 'nitrite ppb N'],
    shownUnit: 'nitrite N',
    basis: true,
    guardDays: 3,
    possible: { low: 0, high: 50 },
    likely: { low: 0, high: 8 },
    zeroBelow: 0.1,
    zeroBased: true,
    steady: 0.05,
    jump: null,
    everyDays: { cycling: 2, running: null },
    minutes: 6,
  },
  nitrate: {
    id: 'nitrate',
    name: 'Nitrate',
    inSentence: 'nitrate',
    dimension: 'nitrate',
    canonicalUnit: 'nitrate N',
    units: ['nitrate NO3', 'nitrate N'],
    shownUnit: 'nitrate NO3',
    basis: true,
    guardDays: 14,
    possible: { low: 0, high: 120 },
    likely: { low: 0, high: 30 },
    zeroBelow: 0.3,
    zeroBased: true,
    steady: 0.3,
    jump: null,
    everyDays: { cycling: 7, running: 14 },
    minutes: 8,
  },
  ph: {
    id: 'ph',
    name: 'pH',
    inSentence: 'pH',
    dimension: 'ph',
    canonicalUnit: 'pH',
    units: ['pH'],
    shownUnit: 'pH',
    basis: false,
    guardDays: 14,
    possible: { low: 3, high: 12 },
    likely: { low: 7.4, high: 8.7 },
    zeroBelow: null,
    zeroBased: false,
    steady: 0.1,
    jump: 0.6,
    everyDays: { cycling: 7, running: null },
    minutes: 1,
  },
  alkalinity: {
    id: 'alkalinity',
    name: 'Alkalinity',
    inSentence: 'alkalinity',
    dimension: 'alkalinity',
    canonicalUnit: 'meq/L',
    units: ['dKH', 'meq/L', 'ppm CaCO3'],
    shownUnit: 'dKH',
    basis: false,
    guardDays: 14,
    possible: { low: 0, high: 15 },
    likely: { low: 1.4, high: 5 },
    zeroBelow: null,
    zeroBased: false,
    steady: 0.11,
    jump: 1.5,
    everyDays: { cycling: 7, running: 7 },
    minutes: 3,
  },
  salinity: {
    id: 'salinity',
    name: 'Salinity',
    inSentence: 'salinity',
    dimension: 'salinity',
    canonicalUnit: 'ppt',
    units: ['ppt', 'sg20', 'sg25', 'sg60F', 'mS/cm'],
    shownUnit: 'ppt',
    basis: false,
    guardDays: 7,
    possible: { low: 0, high: 55 },
    likely: { low: 27, high: 39 },
    zeroBelow: null,
    zeroBased: false,
    steady: 0.4,
    jump: 3,
    everyDays: { cycling: 5, running: 7 },
    minutes: 1,
  },
  temperature: {
    id: 'temperature',
    name: 'Temperature',
    inSentence: 'temperature',
    dimension: 'temperature',
    canonicalUnit: '°C',
    units: ['°C', '°F'],
    shownUnit: '°C',
    basis: false,
    guardDays: 3,
    possible: { low: 0, high: 45 },
    likely: { low: 20, high: 30 },
    zeroBelow: null,
    zeroBased: false,
    steady: 0.4,
    jump: 4,
    everyDays: { cycling: 2, running: 2 },
    minutes: 1,
  },
  phosphate: {
    id: 'phosphate',
    name: 'Phosphate',
    inSentence: 'phosphate',
    dimension: 'phosphate',
    canonicalUnit: 'ppm PO4',
    units: ['ppm PO4', 'ppb P', 'ppm P', 'ppb PO4'],
    shownUnit: 'ppm PO4',
    basis: false,
    guardDays: 14,
    possible: { low: 0, high: 30 },
    likely: { low: 0, high: 3 },
    zeroBelow: 0.01,
    zeroBased: true,
    steady: 0.02,
    jump: null,
    everyDays: { cycling: null, running: 14 },
    minutes: 5,
  },
  calcium: {
    id: 'calcium',
    name: 'Calcium',
    inSentence: 'calcium',
    dimension: 'calcium',
    canonicalUnit: 'ppm Ca',
    units: ['ppm Ca'],
    shownUnit: 'ppm Ca',
    basis: false,
    guardDays: 30,
    possible: { low: 0, high: 1500 },
    likely: { low: 250, high: 600 },
    zeroBelow: null,
    zeroBased: false,
    steady: 15,
    jump: 120,
    everyDays: { cycling: null, running: 30 },
    minutes: 5,
  },
  magnesium: {
    id: 'magnesium',
    name: 'Magnesium',
    inSentence: 'magnesium',
    dimension: 'magnesium',
    canonicalUnit: 'ppm Mg',
    units: ['ppm Mg'],
    shownUnit: 'ppm Mg',
    basis: false,
    guardDays: 30,
    possible: { low: 0, high: 4000 },
    likely: { low: 800, high: 1800 },
    zeroBelow: null,
    zeroBased: false,
    steady: 40,
    jump: 300,
    everyDays: { cycling: null, running: 30 },
    minutes: 5,
  },
};

/** The parameter that a unit belongs to: dimensions and parameters are one to one. */
export function parameterOfDimension(dimension: Dimension): ParameterId | null {
  return PARAMETER_IDS.find((id) => PARAMETERS[id].dimension === dimension) ?? null;
}
