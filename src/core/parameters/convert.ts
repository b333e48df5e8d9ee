import { salinityFrom, salinityTo } from '../seawater/salinity';
import {
  isSalinityUnit,
  linearFromCanonical,
  linearToCanonical,
  unitDecimals,
  unitSymbol,
  type Unit,
} from '../units/units';
import { formatFixed } from '../units/format';

/** To the canonical unit of the unit's dimension. `temperature` (°C) matters to conductivity alone. */
export function toCanonical(value: number, unit: Unit, temperature?: number): number {
  return isSalinityUnit(unit)
    ? salinityFrom(value, unit, temperature)
    : linearToCanonical(value, unit);
}

/** From the canonical unit of the unit's dimension. */
export function fromCanonical(value: number, unit: Unit, temperature?: number): number {
  return isSalinityUnit(unit)
    ? salinityTo(value, unit, temperature)
    : linearFromCanonical(value, unit);
}

/** A canonical value as text in a unit, with that unit's decimals: "7.1 dKH". */
export function formatIn(canonical: number, unit: Unit, decimals = unitDecimals(unit)): string {
  return withUnit(formatFixed(fromCanonical(canonical, unit), decimals), unit);
}

/** A number already formatted, with its unit. */
export function withUnit(text: string, unit: Unit): string {
  const symbol = unitSymbol(unit);
  return symbol === '' ? text : `${text} ${symbol}`;
}
