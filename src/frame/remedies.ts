import type { ParameterId } from '@/core/parameters/registry';

type Side = 'below' | 'above';

/** The sum that answers what a parameter out of its band asks for, by the side that it is out on. */
const REMEDIES: Partial<
  Record<ParameterId, Partial<Record<Side, { sum: string; label: string }>>>
> = {
  alkalinity: { below: { sum: 'alkalinity', label: 'Work out how to raise it' } },
  calcium: { below: { sum: 'calcium', label: 'Work out how to raise it' } },
  magnesium: { below: { sum: 'magnesium', label: 'Work out how to raise it' } },
  salinity: {
    below: { sum: 'salinity-raise', label: 'Work out how to raise it' },
    above: { sum: 'salinity-lower', label: 'Work out how to lower it' },
  },
  nitrate: { above: { sum: 'change-series', label: 'Work out the water changes' } },
  temperature: { below: { sum: 'heater', label: 'Work out the heater' } },
};

/** Where the sum for a parameter that is out of its band is; null where none answers it. */
export function remedyFor(
  parameter: ParameterId,
  side: Side | 'within' | null,
): { sum: string; label: string } | null {
  return side === null || side === 'within' ? null : (REMEDIES[parameter]?.[side] ?? null);
}
