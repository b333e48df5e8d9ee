import { useRouter } from 'expo-router';
import { View } from 'react-native';
import * as z from 'zod';
import { latestReading } from '@/core/history/tankHistory';
import { formatIn, toCanonical } from '@/core/parameters/convert';
import { PARAMETERS } from '@/core/parameters/registry';
import { COPPER_AND_BINDER, copperIn } from '@/core/quarantine/medicine/copper';
import { NOTE_LETTERS, type Quantity } from '@/core/records/common';
import type { EntryBody } from '@/core/records/kinds';
import {
  NEW_WATER,
  SOURCE_WORDS,
  WATER_SOURCES,
  type WaterChangeEntry,
} from '@/core/records/kinds/waterChange';
import { unitFor, type Settings } from '@/core/records/schema/settings';
import { formatExact, formatFixed } from '@/core/units/format';
import { linearFromCanonical, linearToCanonical, unitSymbol, type Unit } from '@/core/units/units';
import { FormReader, type FormReading } from '@/forms/reader';
import { to } from '@/frame/addresses';
import { Choice } from '@/ui/Choice';
import { Field } from '@/ui/Field';
import { LinkButton } from '@/ui/Press';
import { Remark } from '@/ui/Remark';
import { SectionHead } from '@/ui/Row';
import { Words } from '@/ui/Words';
import { entryForm, type FieldsProps, type FormContext } from './entryForm';
import { SHARED, sharedFields } from './shared';

type Measured = (typeof NEW_WATER)[number];

const unitSchema = z.record(z.enum(NEW_WATER), z.string());

export const waterChangeFields = z.object({
  ...sharedFields,
  volume: z.string(),
  source: z.enum([...WATER_SOURCES, 'unsaid']),
  salinity: z.string(),
  temperature: z.string(),
  alkalinity: z.string(),
  ph: z.string(),
  ammonia: z.string(),
  /** The unit each is typed in: the keeper's own, or the one it was measured in. */
  units: unitSchema,
});
export type WaterChangeForm = z.infer<typeof waterChangeFields>;

function unitsOf(settings: Settings, entry?: WaterChangeEntry): WaterChangeForm['units'] {
  const unit = (parameter: Measured): Unit =>
    entry?.newWater[parameter]?.unit ?? unitFor(settings, parameter);
  return {
    salinity: unit('salinity'),
    temperature: unit('temperature'),
    alkalinity: unit('alkalinity'),
    ph: unit('ph'),
    ammonia: unit('ammonia'),
  };
}

export function startOfWaterChange(settings: Settings): WaterChangeForm {
  return {
    ...SHARED,
    volume: '',
    source: 'unsaid',
    salinity: '',
    temperature: '',
    alkalinity: '',
    ph: '',
    ammonia: '',
    units: unitsOf(settings),
  };
}

export function formOfWaterChange(entry: WaterChangeEntry, settings: Settings): WaterChangeForm {
  const form: WaterChangeForm = {
    ...startOfWaterChange(settings),
    at: entry.at,
    note: entry.note ?? '',
    source: entry.source ?? 'unsaid',
    volume: formatExact(linearFromCanonical(entry.litres, settings.volumeUnit)),
    units: unitsOf(settings, entry),
  };
  for (const parameter of NEW_WATER) {
    const quantity = entry.newWater[parameter];
    if (quantity) form[parameter] = formatExact(quantity.value);
  }
  return form;
}

export function readWaterChange(
  form: WaterChangeForm,
  settings: Settings,
): FormReading<WaterChangeForm, EntryBody<'waterChange'>> {
  const read = new FormReader(form);
  const litres = linearToCanonical(
    read.number('volume', { aboveZero: true, max: 100_000 }),
    settings.volumeUnit,
  );
  const newWater: Partial<Record<Measured, Quantity>> = {};
  for (const parameter of NEW_WATER) {
    const value = read.optional(parameter, { min: 0 });
    const unit = PARAMETERS[parameter].units.find((u) => u === form.units[parameter]);
    if (value !== null) {
      newWater[parameter] = { value, unit: unit ?? unitFor(settings, parameter) };
    }
  }
  const note = read.optionalText('note', NOTE_LETTERS);
  const source = form.source === 'unsaid' ? {} : { source: form.source };
  return read.result({ kind: 'waterChange', litres, ...source, newWater, ...note });
}

/** A water change, with what the new water measured. */
export const WaterChangeEntryForm = entryForm({
  kind: 'waterChange',
  fields: waterChangeFields,
  start: ({ settings }) => startOfWaterChange(settings),
  formOf: (entry, { settings }) => formOfWaterChange(entry, settings),
  read: (form, { settings }) => readWaterChange(form, settings),
  Fields: WaterChangeFields,
  Meaning: ChangeMeaning,
  labels: { volume: 'Water changed', ph: 'pH' },
});

function WaterChangeFields({ form, set, errors, context }: FieldsProps<WaterChangeForm>) {
  const router = useRouter();
  const copper = copperIn(context.history, context.now);
  return (
    <>
      <Field
        label="Water changed"
        kind="number"
        unit={context.settings.volumeUnit}
        value={form.volume}
        error={errors.volume}
        onChange={(volume) => set({ volume })}
      />
      <LinkButton
        soft
        label="Go through it step by step"
        onPress={() => router.push(to.run('waterChange'))}
      />
      <Choice
        label="Made from"
        value={form.source === 'unsaid' ? null : form.source}
        onChange={(source) => set({ source })}
        options={WATER_SOURCES.map((value) => ({ value, label: SOURCE_WORDS[value] }))}
      />
      {form.source === 'untreatedTap' ? (
        <Remark tone="caution">
          Chlorine in tap water kills the filter’s bacteria and harms animals: a conditioner by its
          label goes in before the salt. What the cycle showed has to be seen again.
        </Remark>
      ) : null}
      {form.source === 'conditionedTap' && copper !== null ? (
        <Remark tone="danger">{`${copper} is in this water. ${COPPER_AND_BINDER}`}</Remark>
      ) : null}
      <SectionHead title="The new water" end="what was measured of it" />
      <View style={{ flexDirection: 'row', gap: 10, flexWrap: 'wrap' }}>
        {NEW_WATER.map((parameter) => (
          <Field
            key={parameter}
            style={{ flexGrow: 1, flexBasis: 140 }}
            label={PARAMETERS[parameter].name}
            kind="number"
            unit={unitSymbol(
              PARAMETERS[parameter].units.find((u) => u === form.units[parameter]) ??
                unitFor(context.settings, parameter),
            )}
            value={form[parameter]}
            error={errors[parameter]}
            onChange={(text) => set({ [parameter]: text })}
          />
        ))}
      </View>
    </>
  );
}

/** Differences beyond which new water is matched before it is poured, canonical. */
const MATCH = { salinity: 1, temperature: 1, ph: 0.2 } as const;

/** A change beyond the net volume was mistyped; one whose water differs much is worth a pause. */
function ChangeMeaning({
  body,
  context,
}: {
  body: EntryBody<'waterChange'>;
  context: FormContext;
}) {
  const { history, settings } = context;
  const share = body.litres / history.netLitres;
  if (share > 1) {
    return (
      <Remark tone="watch" title="More than the tank holds">
        {`The tank holds ${formatIn(history.netLitres, settings.volumeUnit, 0)} net. It will count as a change of everything.`}
      </Remark>
    );
  }
  const gaps = (['salinity', 'temperature', 'ph'] as const).flatMap((parameter) => {
    const given = body.newWater[parameter];
    const last = latestReading(history, parameter);
    if (!given || !last) return [];
    const gap = toCanonical(given.value, given.unit) - last.best;
    if (Math.abs(gap) <= MATCH[parameter]) return [];
    return [
      `${PARAMETERS[parameter].inSentence} is ${formatFixed(Math.abs(gap), 1)} ${gap > 0 ? 'above' : 'below'} the tank’s`,
    ];
  });
  return (
    <Remark
      tone={gaps.length > 0 ? 'caution' : 'plain'}
      title={gaps.length > 0 ? 'Match it before pouring' : undefined}
    >
      <Words as="lead">{`**${formatFixed(share * 100, 0)} %** of the net water.`}</Words>
      {gaps.length > 0 ? (
        <Words as="body">{`In the new water, ${gaps.join('; ')}. A higher pH also frees more of the ammonia that is there.`}</Words>
      ) : null}
    </Remark>
  );
}
