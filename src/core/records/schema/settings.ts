import * as z from 'zod';
import { BAND_PRESET_IDS } from '../../parameters/bands';
import { PARAMETER_IDS, PARAMETERS, type ParameterId } from '../../parameters/registry';
import { dimensionOf } from '../../units/units';
import { anyNumber, parameterSchema, unitSchema } from '../common';
import type { Unit } from '../../units/units';

const bandSchema = z
  .strictObject({ low: anyNumber, high: anyNumber })
  .refine((band) => band.low <= band.high, 'has its lower end above its upper end');

export const settingsSchema = z.strictObject({
  volumeUnit: z.enum(['L', 'gal']),
  lengthUnit: z.enum(['cm', 'in']),
  massUnit: z.enum(['kg', 'lb']),
  /** Unit each parameter is shown in. Readings always keep the unit they were made in. */
  parameterUnits: z.partialRecord(parameterSchema, unitSchema).refine(
    (units) =>
      PARAMETER_IDS.every((p) => {
        const unit = units[p];
        return unit === undefined || dimensionOf(unit) === PARAMETERS[p].dimension;
      }),
    'shows a parameter in a unit that does not measure it',
  ),
  /** What money is counted in: letters or a sign. */
  currency: z.string().min(1).max(8).optional(),
  /** The hour of the day at which what is due rings, in calendars and browsers that may. */
  remindHour: z.int().min(0).max(23).optional(),
  theme: z.enum(['system', 'day', 'night']),
  bandPreset: z.enum(BAND_PRESET_IDS),
  /** Bands the keeper set, canonical units. */
  bands: z.partialRecord(parameterSchema, bandSchema),
});
export type Settings = z.infer<typeof settingsSchema>;

/** The one record that settings are kept in, whichever browser wrote them. */
export const SETTINGS_ID = '00000000-0000-7000-8000-000000000001';

export const METRIC_SETTINGS: Settings = {
  volumeUnit: 'L',
  lengthUnit: 'cm',
  massUnit: 'kg',
  parameterUnits: {},
  theme: 'system',
  bandPreset: 'mixedReef',
  bands: {},
};

export const US_SETTINGS: Settings = {
  ...METRIC_SETTINGS,
  volumeUnit: 'gal',
  lengthUnit: 'in',
  massUnit: 'lb',
  parameterUnits: { temperature: '°F', salinity: 'sg25' },
};

/** The unit a parameter is shown in: the keeper's own choice, or the parameter's usual one. */
export function unitFor(settings: Settings, parameter: ParameterId): Unit {
  return settings.parameterUnits[parameter] ?? PARAMETERS[parameter].shownUnit;
}
