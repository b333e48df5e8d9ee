import * as z from 'zod';
import { BAND_PRESET_IDS } from '../../parameters/bands';
import { PARAMETER_IDS, PARAMETERS } from '../../parameters/registry';
import { dimensionOf } from '../../units/units';
import { parameterSchema, unitSchema } from './common';

const bandSchema = z
  .strictObject({ low: z.number().finite(), high: z.number().finite() })
  .refine((band) => band.low <= band.high, 'has its lower end above its upper end');

export const settingsSchema = z.strictObject({
  volumeUnit: z.enum(['L', 'gal']),
  lengthUnit: z.enum(['cm', 'in']),
  massUnit: z.enum(['kg', 'lb']),
  /** Unit each parameter is shown in. Readings always keep the unit they were made in. */
  parameterUnits: z
    .record(parameterSchema, unitSchema)
    .refine(
      (units) => PARAMETER_IDS.every((p) => dimensionOf(units[p]) === PARAMETERS[p].dimension),
      'shows a parameter in a unit that does not measure it',
    ),
  theme: z.enum(['system', 'day', 'night']),
  bandPreset: z.enum(BAND_PRESET_IDS),
  /** Bands the keeper set, canonical units. */
  bands: z.partialRecord(parameterSchema, bandSchema),
});
export type Settings = z.infer<typeof settingsSchema>;

export const METRIC_SETTINGS: Settings = {
  volumeUnit: 'L',
  lengthUnit: 'cm',
  massUnit: 'kg',
  parameterUnits: {
    ammonia: 'ammonia N',
    nitrite: 'nitrite N',
    nitrate: 'nitrate NO3',
    ph: 'pH',
    alkalinity: 'dKH',
    salinity: 'ppt',
    temperature: '°C',
    phosphate: 'ppm PO4',
    calcium: 'ppm Ca',
    magnesium: 'ppm Mg',
  },
  theme: 'system',
  bandPreset: 'mixedReef',
  bands: {},
};

export const US_SETTINGS: Settings = {
  ...METRIC_SETTINGS,
  volumeUnit: 'gal',
  lengthUnit: 'in',
  massUnit: 'lb',
  parameterUnits: { ...METRIC_SETTINGS.parameterUnits, temperature: '°F', salinity: 'sg25' },
};
