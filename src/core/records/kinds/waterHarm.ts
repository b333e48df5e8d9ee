import { PARAMETER_IDS, PARAMETERS, type ParameterId } from '../../parameters/registry';
import type { FilterBacteriaBounds } from '../../parameters/spec';
import { HARMED, NO_EFFECT, SLOWED, type CycleEffect } from './effect';

const beyond = (value: number, bounds: FilterBacteriaBounds['harm']) =>
  bounds !== undefined &&
  (value <= (bounds.low ?? -Infinity) || value >= (bounds.high ?? Infinity));

/** What water that reads so, in the canonical unit of its parameter, does to filter bacteria. */
export function waterHarm(parameter: ParameterId, value: number): CycleEffect {
  const { slow, harm }: FilterBacteriaBounds = PARAMETERS[parameter].filterBacteria;
  if (beyond(value, harm)) return HARMED;
  return beyond(value, slow) ? SLOWED : NO_EFFECT;
}

/** Parameters whose water can do anything to filter bacteria. */
export const HARMING = PARAMETER_IDS.filter(
  (id) => Object.keys(PARAMETERS[id].filterBacteria).length > 0,
);
