import { freeAmmoniaFraction } from '../../seawater/ammonia';

/** Steps in a day, when nothing else is asked for: hourly. */
export const STEPS_PER_DAY = 24;

/** What the filter bacteria meet, step by step: computed once and shared by every run of an ensemble. */
export interface Environment {
  steps: number;
  stepsPerDay: number;
  /** Rate multiplier for temperature and pH, 1 at 26 °C and a middling pH. */
  pace: Float64Array;
  /** Rate multiplier for temperature alone, which is what mineralisation follows. */
  temperatureRate: Float64Array;
  /** Share of total ammonia that is free. */
  freeShare: Float64Array;
  /** Light on algae, 1 under a lit tank: what they take up follows it. */
  light: Float64Array;
}

/** Uptake in a dark tank against a lit one: what bacteria and films still take. */
export const DARK = 0.25;

/** The water at one moment. */
export interface Conditions {
  /** °C. */
  temperature: number;
  ph: number;
  salinity: number;
  lit: boolean;
}

/** Rate against temperature, 1 at 26 °C: 7 % a degree to 34 °C, then falling to nothing at 42 °C. */
export function temperaturePace(temperature: number): number {
  if (temperature >= 42) return 0;
  if (temperature <= 34) return 1.07 ** (temperature - 26);
  return (1.07 ** 8 * (42 - temperature)) / 8;
}

/** Rate against pH: near 1 from 7 to 9, falling off on both sides. */
export function phPace(ph: number): number {
  return 1 / (1 + 10 ** (6.5 - ph) + 10 ** (ph - 9.7));
}

/**
 * The environment of a run.
 * @param days length of the run
 * @param at gives the conditions for a day of the run
 */
export function environmentOf(
  days: number,
  at: (day: number) => Conditions,
  stepsPerDay = STEPS_PER_DAY,
): Environment {
  const steps = Math.max(1, Math.round(days * stepsPerDay));
  const pace = new Float64Array(steps);
  const temperatureRate = new Float64Array(steps);
  const freeShare = new Float64Array(steps);
  const light = new Float64Array(steps);
  for (let step = 0; step < steps; step += 1) {
    const { temperature, ph, salinity, lit } = at((step + 0.5) / stepsPerDay);
    const warm = temperaturePace(temperature);
    temperatureRate[step] = warm;
    pace[step] = warm * phPace(ph);
    freeShare[step] = freeAmmoniaFraction(ph, temperature, salinity);
    light[step] = lit ? 1 : DARK;
  }
  return { steps, stepsPerDay, pace, temperatureRate, freeShare, light };
}

/** The same temperature, pH and salinity throughout. */
export function steadyEnvironment(
  days: number,
  temperature = 26,
  ph = 8.2,
  salinity = 35,
  stepsPerDay = STEPS_PER_DAY,
): Environment {
  return environmentOf(days, () => ({ temperature, ph, salinity, lit: true }), stepsPerDay);
}
