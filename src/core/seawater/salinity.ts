import type { SalinityUnit } from '../units/units';
import { conductivityFromSalinity, salinityFromConductivity } from './conductivity';
import { salinityFromSpecificGravity, specificGravity } from './specificGravity';

/** Conductivity pens show their reading as at this temperature, in °C. */
export const COMPENSATION_TEMPERATURE = 25;

/**
 * Practical salinity from a value in any unit it is read in.
 * @param temperature °C of the conductivity; specific gravities are stated at their own scale's.
 */
export function salinityFrom(
  value: number,
  unit: SalinityUnit,
  temperature: number = COMPENSATION_TEMPERATURE,
): number {
  switch (unit) {
    case 'ppt':
      return value;
    case 'mS/cm':
      return salinityFromConductivity(value, temperature);
    default:
      return salinityFromSpecificGravity(value, unit);
  }
}

/** The inverse of salinityFrom. */
export function salinityTo(
  salinity: number,
  unit: SalinityUnit,
  temperature: number = COMPENSATION_TEMPERATURE,
): number {
  switch (unit) {
    case 'ppt':
      return salinity;
    case 'mS/cm':
      return conductivityFromSalinity(salinity, temperature);
    default:
      return specificGravity(salinity, unit);
  }
}
