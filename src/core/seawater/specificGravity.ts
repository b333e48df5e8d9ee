import { rootOfIncreasing } from '../math/roots';
import { density } from './density';

/** Temperatures in °C at which both the sample and the pure water of each scale are taken. */
export const SG_SCALE_TEMPERATURE = { sg25: 25, sg20: 20, sg60F: (60 - 32) / 1.8 } as const;
export type SgScale = keyof typeof SG_SCALE_TEMPERATURE;

/** Cubic expansion of soda-lime glass per °C, for a floating hydrometer away from its scale's temperature. */
const GLASS_EXPANSION = 2.5e-5;
/** The salinities that bracket every inverse; a fresh or a hypersaline sample answers an end. */
const S_MAX = 60;

/** Specific gravity on a scale of water of this practical salinity, both at the scale's temperature. */
export function specificGravity(salinity: number, scale: SgScale): number {
  const t = SG_SCALE_TEMPERATURE[scale];
  return density(salinity, t) / density(0, t);
}

/** Practical salinity from a specific gravity that is stated at its scale's own temperature. */
export function salinityFromSpecificGravity(sg: number, scale: SgScale): number {
  return rootOfIncreasing((S) => specificGravity(S, scale) - sg, 0, S_MAX);
}

/**
 * Practical salinity from a floating hydrometer read in water of `waterTemperature` °C.
 * It shows the density of that water over pure water at its scale's temperature; its glass, larger
 * in warmer water, displaces a little more and so reads a little low.
 */
export function salinityFromHydrometer(
  reading: number,
  scale: SgScale,
  waterTemperature: number,
): number {
  const t = SG_SCALE_TEMPERATURE[scale];
  const glass = 1 + GLASS_EXPANSION * (waterTemperature - t);
  const shown = (S: number) => (density(S, waterTemperature) * glass) / density(0, t);
  return rootOfIncreasing((S) => shown(S) - reading, 0, S_MAX);
}
