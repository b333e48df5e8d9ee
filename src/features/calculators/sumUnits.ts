import { fromCanonical, toCanonical } from '@/core/parameters/convert';
import { unitFor, type Settings } from '@/core/records/schema/settings';
import type { SumUnit } from '@/core/sums';
import { ALL_UNITS, type Unit } from '@/core/units/units';

/** Units that a number of a sum can be typed and shown in, besides the one that the sum works in. */
const ALTERNATIVES: Partial<Record<SumUnit, readonly Unit[]>> = {
  L: ['L', 'gal'],
  cm: ['cm', 'in'],
  kg: ['kg', 'lb'],
  g: ['g', 'oz', 'lb'],
  '°C': ['°C', '°F'],
  ppt: ['ppt', 'sg25', 'mS/cm'],
  dKH: ['dKH', 'meq/L', 'ppm CaCO3'],
};

/** The units to choose from; empty where there is but one. */
export function unitsOf(unit: SumUnit): readonly Unit[] {
  return ALTERNATIVES[unit] ?? [];
}

/** The one that the keeper's settings ask for. */
export function usualUnit(unit: SumUnit, settings: Settings): SumUnit {
  const wanted: Partial<Record<SumUnit, Unit>> = {
    L: settings.volumeUnit,
    cm: settings.lengthUnit,
    kg: settings.massUnit,
    '°C': unitFor(settings, 'temperature'),
    ppt: unitFor(settings, 'salinity'),
    dKH: unitFor(settings, 'alkalinity'),
  };
  const found = wanted[unit];
  return found !== undefined && unitsOf(unit).includes(found) ? found : unit;
}

function isUnit(unit: SumUnit): unit is Unit {
  return (ALL_UNITS as readonly string[]).includes(unit);
}

/** A number from one unit to another of the same quantity; as it stands where they are one. */
export function between(value: number, from: SumUnit, to: SumUnit): number {
  if (from === to || !isUnit(from) || !isUnit(to)) return value;
  return fromCanonical(toCanonical(value, from), to);
}

/** The unit after one, round and round. */
export function unitAfter(unit: SumUnit, shown: SumUnit): SumUnit {
  const all = unitsOf(unit);
  return all[(all.findIndex((one) => one === shown) + 1) % all.length] ?? unit;
}
