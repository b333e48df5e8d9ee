import * as z from 'zod';
import { CAUTIONS } from '@/core/cautions';
import { formatIn } from '@/core/parameters/convert';
import { PARAMETERS } from '@/core/parameters/registry';
import { NOTE_LETTERS } from '@/core/records/common';
import type { EntryBody } from '@/core/records/kinds';
import { unitFor, type Settings } from '@/core/records/schema/settings';
import { formatExact, formatFixed } from '@/core/units/format';
import { linearFromCanonical, linearToCanonical, unitSymbol } from '@/core/units/units';
import { FormReader, type FormReading } from '@/forms/reader';
import { CautionRemark } from '@/frame/CautionRemark';
import { Choice } from '@/ui/Choice';
import { Field } from '@/ui/Field';
import { Remark } from '@/ui/Remark';
import { entryForm, type FieldsProps, type FormContext } from './entryForm';
import { SHARED, sharedFields } from './shared';

const SALINITY_UNITS = PARAMETERS.salinity.units;

export const topOffFields = z.object({
  ...sharedFields,
  volume: z.string(),
  water: z.enum(['fresh', 'salt']),
  salinity: z.string(),
  unit: z.enum(SALINITY_UNITS),
});
export type TopOffForm = z.infer<typeof topOffFields>;

export function startOfTopOff(settings: Settings): TopOffForm {
  const own = unitFor(settings, 'salinity');
  const unit = SALINITY_UNITS.find((u) => u === own) ?? SALINITY_UNITS[0];
  return { ...SHARED, volume: '', water: 'fresh', salinity: '', unit };
}

export function readTopOff(
  form: TopOffForm,
  settings: Settings,
): FormReading<TopOffForm, EntryBody<'topOff'>> {
  const read = new FormReader(form);
  const litres = linearToCanonical(
    read.number('volume', { aboveZero: true, max: 10_000 }),
    settings.volumeUnit,
  );
  const salinity =
    form.water === 'salt'
      ? { salinity: { value: read.number('salinity', { min: 0, max: 200 }), unit: form.unit } }
      : {};
  return read.result({
    kind: 'topOff',
    litres,
    ...salinity,
    ...read.optionalText('note', NOTE_LETTERS),
  });
}

/** Water that replaced what evaporated. */
export const TopOffEntryForm = entryForm<'topOff', TopOffForm>({
  kind: 'topOff',
  fields: topOffFields,
  start: ({ settings }) => startOfTopOff(settings),
  formOf: (entry, { settings }) => ({
    ...startOfTopOff(settings),
    at: entry.at,
    note: entry.note ?? '',
    volume: formatExact(linearFromCanonical(entry.litres, settings.volumeUnit)),
    water: entry.salinity ? 'salt' : 'fresh',
    salinity: entry.salinity ? formatExact(entry.salinity.value) : '',
    unit: SALINITY_UNITS.find((u) => u === entry.salinity?.unit) ?? startOfTopOff(settings).unit,
  }),
  read: (form, { settings }) => readTopOff(form, settings),
  Fields: TopOffFields,
  Meaning: TopOffMeaning,
  labels: { volume: 'Water added' },
});

function TopOffFields({ form, set, errors, context }: FieldsProps<TopOffForm>) {
  return (
    <>
      <Field
        label="Water added"
        kind="number"
        unit={context.settings.volumeUnit}
        value={form.volume}
        error={errors.volume}
        onChange={(volume) => set({ volume })}
      />
      <Choice
        label="It was"
        value={form.water}
        onChange={(water) => set({ water })}
        options={[
          { value: 'fresh', label: 'Fresh' },
          { value: 'salt', label: 'Not fresh' },
        ]}
      />
      {form.water === 'salt' ? (
        <>
          <Field
            label="Its salinity"
            kind="number"
            unit={unitSymbol(form.unit)}
            value={form.salinity}
            error={errors.salinity}
            onChange={(salinity) => set({ salinity })}
          />
          <CautionRemark caution={CAUTIONS.saltTopOff} />
        </>
      ) : null}
    </>
  );
}

/** A top-off of a tenth of the tank and more is a mistyped one, or one that was long overdue. */
const MUCH = 0.1;

function TopOffMeaning({ body, context }: { body: EntryBody<'topOff'>; context: FormContext }) {
  const { history, settings } = context;
  const share = body.litres / history.netLitres;
  if (share < MUCH) return null;
  return (
    <Remark tone="watch" title={`${formatFixed(share * 100, 0)} % of the net water`}>
      {`The tank holds ${formatIn(history.netLitres, settings.volumeUnit, 0)} net. If so much evaporated, measure salinity now and add it over hours.`}
    </Remark>
  );
}
