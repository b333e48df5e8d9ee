import { PARAMETER_IDS, PARAMETERS, type ParameterId } from '../../parameters/registry';
import type { ColonyBounds } from '../../parameters/spec';
import { HARMED, NO_EFFECT, SLOWED, type CycleEffect } from './effect';

const beyond = (value: number, bounds: ColonyBounds['harm']) =>
  bounds !== undefined &&
  (value <= (bounds.low ?? -Infinity) || value >= (bounds.high ?? Infinity));

/** What water that reads so, in the canonical unit of its parameter, does to a colony. */
export function waterHarm(parameter: ParameterId, value: number): CycleEffect {
  const { slow, harm }: ColonyBounds = PARAMETERS[parameter].colony;
  if (beyond(value, harm)) return HARMED;
  return beyond(value, slow) ? SLOWED : NO_EFFECT;
}

/** Parameters whose water can do anything to a colony. */
export const HARMING = PARAMETER_IDS.filter((id) => Object.keys(PARAMETERS[id].colony).length > 0);
