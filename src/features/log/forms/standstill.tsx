import * as z from 'zod';
import { KEPT } from '@/core/records/kinds/standstill';
import { PARAMETERS } from '@/core/parameters/registry';
import { unitFor } from '@/core/records/schema/settings';
import { formatExact } from '@/core/units/format';
import { unitSymbol } from '@/core/units/units';
import { KeptChoice } from '@/frame/KeptChoice';
import { Field } from '@/ui/Field';
import { entryForm, type FieldsProps } from './entryForm';
import { noteOf, SHARED, sharedFields } from './shared';

const standstillFields = z.object({
  ...sharedFields,
  hours: z.string(),
  kept: z.enum(KEPT),
  temperature: z.string(),
  unit: z.string(),
});
type StandstillFields = z.infer<typeof standstillFields>;

/** A year without flow is no standstill any more, h. */
const MOST_HOURS = 8760;

/** A power cut, a pump that stood still, a move: hours without flow, and how the filter bacteria were kept. */
export const StandstillForm = entryForm<'standstill', StandstillFields>({
  kind: 'standstill',
  fields: standstillFields,
  start: ({ settings }) => ({
    ...SHARED,
    hours: '',
    kept: 'still',
    temperature: '',
    unit: unitFor(settings, 'temperature'),
  }),
  formOf: ({ at, note, hours, kept, temperature }, { settings }) => ({
    at,
    note: note ?? '',
    hours: formatExact(hours),
    kept,
    temperature: temperature ? formatExact(temperature.value) : '',
    unit: temperature?.unit ?? unitFor(settings, 'temperature'),
  }),
  read: (form, { settings }) => {
    const { read, note } = noteOf(form);
    const hours = read.number('hours', { aboveZero: true, max: MOST_HOURS });
    const value = read.optional('temperature');
    const { units } = PARAMETERS.temperature;
    const unit = units.find((one) => one === form.unit) ?? unitFor(settings, 'temperature');
    return read.result({
      kind: 'standstill',
      hours,
      kept: form.kept,
      ...(value === null ? {} : { temperature: { value, unit } }),
      ...note,
    });
  },
  labels: { hours: 'Hours without flow' },
  Fields: ({ form, set, errors }: FieldsProps<StandstillFields>) => (
    <>
      <Field
        label="Hours without flow"
        kind="number"
        unit="h"
        value={form.hours}
        error={errors.hours}
        onChange={(hours) => set({ hours })}
      />
      <KeptChoice kept={form.kept} onChange={(kept) => set({ kept })} />
      <Field
        label="How warm they were, if you know"
        kind="number"
        unit={unitSymbol(
          PARAMETERS.temperature.units.find((unit) => unit === form.unit) ??
            PARAMETERS.temperature.canonicalUnit,
        )}
        value={form.temperature}
        error={errors.temperature}
        onChange={(temperature) => set({ temperature })}
      />
    </>
  ),
});
