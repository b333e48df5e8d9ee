import * as z from 'zod';
import { CAUTIONS } from '@/core/cautions';
import { PARAMETERS } from '@/core/parameters/registry';
import { NAME_LETTERS } from '@/core/records/common';
import type { EntryBody } from '@/core/records/kinds';
import { unitFor } from '@/core/records/schema/settings';
import { salinityFrom } from '@/core/seawater/salinity';
import { countOf, formatExact, formatSignificant } from '@/core/units/format';
import {
  isSalinityUnit,
  linearFromCanonical,
  linearToCanonical,
  unitSymbol,
} from '@/core/units/units';
import { saltYield, weighed } from '@/core/water/learned';
import { CautionRemark } from '@/frame/CautionRemark';
import { Choice } from '@/ui/Choice';
import { Field } from '@/ui/Field';
import { Remark } from '@/ui/Remark';
import { entryForm, type FieldsProps, type FormContext } from './entryForm';
import { noteOf, SHARED, sharedFields } from './shared';

const SALINITY_UNITS = PARAMETERS.salinity.units;

const fields = z.object({
  ...sharedFields,
  volume: z.string(),
  by: z.enum(['grams', 'cups']),
  grams: z.string(),
  cups: z.string(),
  gramsPerCup: z.string(),
  salinity: z.string(),
  unit: z.enum(SALINITY_UNITS),
  product: z.string(),
});
type SaltMixForm = z.infer<typeof fields>;

function start({ settings, history }: Pick<FormContext, 'settings' | 'history'>): SaltMixForm {
  const own = unitFor(settings, 'salinity');
  const cup = weighed(history, 'saltCup');
  return {
    ...SHARED,
    volume: '',
    by: 'grams',
    grams: '',
    cups: '',
    gramsPerCup: cup ? formatExact(Number(cup.value.toPrecision(4))) : '',
    salinity: '',
    unit: SALINITY_UNITS.find((u) => u === own) ?? SALINITY_UNITS[0],
    product: history.entries.saltMix.at(-1)?.entry.product ?? '',
  };
}

/** New salt water: how much, with how much salt, and what it came to. */
export const SaltMixEntryForm = entryForm<'saltMix', SaltMixForm>({
  kind: 'saltMix',
  fields,
  start,
  formOf: (entry, context) => ({
    ...start(context),
    at: entry.at,
    note: entry.note ?? '',
    volume: formatExact(linearFromCanonical(entry.litres, context.settings.volumeUnit)),
    grams: formatExact(entry.grams),
    salinity: entry.salinity ? formatExact(entry.salinity.value) : '',
    unit: SALINITY_UNITS.find((u) => u === entry.salinity?.unit) ?? start(context).unit,
    product: entry.product ?? '',
  }),
  read: (form, { settings }) => {
    const { read, note } = noteOf(form);
    const litres = linearToCanonical(
      read.number('volume', { aboveZero: true, max: 10_000 }),
      settings.volumeUnit,
    );
    const most = { aboveZero: true, max: 500_000 };
    const grams =
      form.by === 'grams'
        ? read.number('grams', most)
        : read.number('cups', { aboveZero: true, max: 2000 }) *
          read.number('gramsPerCup', { min: 1, max: 5000 });
    const value = read.optional('salinity', { min: 0, max: 200 });
    const salinity = value === null ? {} : { salinity: { value, unit: form.unit } };
    if (read.ok && grams / litres > 400) {
      read.fail(form.by, 'So much salt does not dissolve in so little water.');
    }
    return read.result({
      kind: 'saltMix',
      litres,
      grams,
      ...salinity,
      ...read.optionalText('product', NAME_LETTERS),
      ...note,
    });
  },
  Fields,
  Meaning,
  labels: { volume: 'Fresh water', grams: 'Salt' },
});

function Fields({ form, set, errors, context }: FieldsProps<SaltMixForm>) {
  return (
    <>
      <Field
        label="Fresh water it went into"
        kind="number"
        unit={context.settings.volumeUnit}
        value={form.volume}
        error={errors.volume}
        onChange={(volume) => set({ volume })}
      />
      <Choice
        label="Salt, by"
        value={form.by}
        onChange={(by) => set({ by })}
        options={[
          { value: 'grams', label: 'Weight' },
          { value: 'cups', label: 'Cups' },
        ]}
      />
      {form.by === 'grams' ? (
        <Field
          label="Salt in all"
          kind="number"
          unit="g"
          value={form.grams}
          error={errors.grams}
          onChange={(grams) => set({ grams })}
        />
      ) : (
        <>
          <Field
            label="Cups"
            kind="number"
            value={form.cups}
            error={errors.cups}
            onChange={(cups) => set({ cups })}
          />
          <Field
            label="One cup weighs"
            kind="number"
            unit="g"
            hint="Weigh ten of them once, and log the weighing: it then stands here."
            value={form.gramsPerCup}
            error={errors.gramsPerCup}
            onChange={(gramsPerCup) => set({ gramsPerCup })}
          />
        </>
      )}
      <Field
        label="Salinity measured, once it was clear"
        kind="number"
        unit={unitSymbol(form.unit)}
        hint="Leave it empty until then. What your salt yields is learned from it."
        value={form.salinity}
        error={errors.salinity}
        onChange={(salinity) => set({ salinity })}
      />
      <CautionRemark caution={CAUTIONS.drySalt} />
    </>
  );
}

function Meaning({ body, context }: { body: EntryBody<'saltMix'>; context: FormContext }) {
  const { salinity, grams, litres } = body;
  if (!salinity || !isSalinityUnit(salinity.unit)) return null;
  const ppt = salinityFrom(salinity.value, salinity.unit);
  if (ppt < 3) return null;
  const each = (grams / litres) * (35 / ppt);
  const known = saltYield(context.history);
  return (
    <Remark title={`${formatSignificant(Number(each.toPrecision(3)), 3)} g a litre at 35 ppt`}>
      {known
        ? `Your salt came to ${formatSignificant(Number(known.value.toPrecision(3)), 3)} g before, over ${countOf(known.count, 'mixing')}.`
        : 'That is what the next sums of salt start from, once this is saved.'}
    </Remark>
  );
}
