import { SALT_YIELD } from '../units/constants';
import type { NumberInput } from './sum';

/** The water of the tank itself. */
export const litres = (): NumberInput => ({ ...water('Net water volume'), tank: 'litres' });

/** Any other water. */
export const water = (label: string): NumberInput => ({
  label,
  unit: 'L',
  low: 0.5,
  high: 20_000,
});

export const salinity = (label: string, usual?: number): NumberInput => ({
  label,
  unit: 'ppt',
  low: 0,
  high: 45,
  ...(usual === undefined ? {} : { usual }),
});

/** The salinity that the tank has now. */
export const salinityNow = (usual?: number): NumberInput => ({
  ...salinity('Salinity now', usual),
  tank: 'salinity',
});

export const YIELD: NumberInput = {
  label: 'Salt for a litre at 35',
  unit: 'g/L',
  low: 25,
  high: 60,
  usual: SALT_YIELD,
  tank: 'saltYield',
};
