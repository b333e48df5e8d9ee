import type { Interval } from '../math/interval';
import {
  FREE_AMMONIA_LEVELS,
  freeAmmoniaFraction,
  freeAmmoniaLevel,
  freeAmmoniaRange,
  UNKNOWN_PH,
  type FreeAmmoniaLevel,
} from '../seawater/ammonia';

/** One input of a computed figure and where it came from. */
export interface Input<T> {
  value: T;
  source: 'now' | 'last' | 'assumed';
}

export interface FreeAmmonia {
  /** mg N/L. */
  range: Interval;
  /** Judged by the upper end: what the animals may meet. */
  level: FreeAmmoniaLevel;
  /** Share that is free at the ends of the pH range. */
  fraction: Interval;
  tan: Interval;
  ph: Input<Interval>;
  temperature: Input<number>;
  salinity: Input<number>;
}

export interface FreeAmmoniaInputs {
  /** Total ammonia, mg N/L. */
  tan: Interval;
  ph?: Input<number>;
  temperature?: Input<number>;
  salinity?: Input<number>;
}

/** A measured pH is one moment of a day that swings by about this much either way. */
const PH_NOW_SPREAD = 0.05;
const PH_LAST_SPREAD = 0.1;
const ASSUMED_TEMPERATURE = 25.5;
const ASSUMED_SALINITY = 35;
/**
 * What an open top step may be, as a multiple of where it begins, half way from the step below it: twice
 * the step that is printed, and a little more. Nobody knows better without a diluted sample.
 */
const OPEN_TOP = 3;

/** Free ammonia with its range, from whatever has been measured; the rest is assumed and says so. */
export function judgeFreeAmmonia(inputs: FreeAmmoniaInputs): FreeAmmonia {
  const spread = inputs.ph?.source === 'now' ? PH_NOW_SPREAD : PH_LAST_SPREAD;
  const ph: Input<Interval> = inputs.ph
    ? {
        value: { low: inputs.ph.value - spread, high: inputs.ph.value + spread },
        source: inputs.ph.source,
      }
    : { value: UNKNOWN_PH, source: 'assumed' };
  const temperature = inputs.temperature ?? { value: ASSUMED_TEMPERATURE, source: 'assumed' };
  const salinity = inputs.salinity ?? { value: ASSUMED_SALINITY, source: 'assumed' };
  const tan = {
    low: inputs.tan.low,
    high: Number.isFinite(inputs.tan.high) ? inputs.tan.high : inputs.tan.low * OPEN_TOP,
  };
  const range = freeAmmoniaRange(tan, ph.value, temperature.value, salinity.value);
  const fractionAt = (p: number) => freeAmmoniaFraction(p, temperature.value, salinity.value);
  return {
    range,
    level: freeAmmoniaLevel(range.high, FREE_AMMONIA_LEVELS),
    fraction: { low: fractionAt(ph.value.low), high: fractionAt(ph.value.high) },
    tan,
    ph,
    temperature,
    salinity,
  };
}
