import type { Interval } from '../math/interval';

/**
 * pKa of ammonium in sea water.
 * Khoo et al. (1977) as fitted by Bell et al. (2007); temperature 0–40 °C, practical salinity 0–40.
 * It suits meters and cards calibrated on the NBS scale, which are the ones keepers own.
 */
export function ammoniumPka(temperature: number, salinity: number): number {
  return 10.0423 - 0.0315536 * temperature + 0.003071 * salinity;
}

/** The share of total ammonia that is free ammonia (NH3), 0 to 1. pH on the NBS scale, °C, salinity. */
export function freeAmmoniaFraction(ph: number, temperature: number, salinity: number): number {
  return 1 / (1 + 10 ** (ammoniumPka(temperature, salinity) - ph));
}

/** Free ammonia (mg N/L) over the whole range of what is known of total ammonia (mg N/L) and pH. */
export function freeAmmoniaRange(
  tan: Interval,
  ph: Interval,
  temperature: number,
  salinity: number,
): Interval {
  return {
    low: tan.low * freeAmmoniaFraction(ph.low, temperature, salinity),
    high: tan.high * freeAmmoniaFraction(ph.high, temperature, salinity),
  };
}

/** What is assumed of pH while nobody has measured it: 8.0 ± 0.15, and a day swings by 0.1. */
export const UNKNOWN_PH: Interval = { low: 7.8, high: 8.2 };

/** How much free ammonia matters, by default in mg NH3-N/L; the keeper may change the limits. */
export const FREE_AMMONIA_LEVELS = { comfortable: 0.02, watch: 0.05, act: 0.1 } as const;
export type FreeAmmoniaLevel = 'comfortable' | 'watch' | 'act' | 'emergency';
export type FreeAmmoniaLimits = { comfortable: number; watch: number; act: number };

export function freeAmmoniaLevel(
  freeAmmonia: number,
  limits: FreeAmmoniaLimits = FREE_AMMONIA_LEVELS,
): FreeAmmoniaLevel {
  if (freeAmmonia <= limits.comfortable) return 'comfortable';
  if (freeAmmonia <= limits.watch) return 'watch';
  if (freeAmmonia <= limits.act) return 'act';
  return 'emergency';
}
