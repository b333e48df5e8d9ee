import * as z from 'zod';
import type { EntryBody } from '@/core/records/kinds';
import { formatExact, formatPlain, formatSignificant } from '@/core/units/format';
import { linearFromCanonical, linearToCanonical } from '@/core/units/units';
import { stagesDue } from '@/core/water/stages';
import { CAUTIONS } from '@/core/cautions';
import { CautionRemark } from '@/frame/CautionRemark';
import { Field } from '@/ui/Field';
import { Remark } from '@/ui/Remark';
import { Words } from '@/ui/Words';
import { entryForm, type FieldsProps, type FormContext } from './entryForm';
import { noteOf, SHARED, sharedFields } from './shared';

const fields = z.object({
  ...sharedFields,
  volume: z.string(),
  minutes: z.string(),
  waste: z.string(),
  tap: z.string(),
  membrane: z.string(),
  resin: z.string(),
});
type PurifiedForm = z.infer<typeof fields>;

const EMPTY: PurifiedForm = {
  ...SHARED,
  volume: '',
  minutes: '',
  waste: '',
  tap: '',
  membrane: '',
  resin: '',
};
const text = (value: number | undefined) => (value === undefined ? '' : formatExact(value));
const MOST_TDS = { min: 0, max: 20_000 };

/** A run of the purifier. */
export const PurifiedEntryForm = entryForm<'purified', PurifiedForm>({
  kind: 'purified',
  fields,
  start: () => EMPTY,
  formOf: (entry, { settings }) => ({
    at: entry.at,
    note: entry.note ?? '',
    volume: formatExact(linearFromCanonical(entry.litres, settings.volumeUnit)),
    minutes: text(entry.minutes),
    waste: text(
      entry.waste === undefined ? undefined : linearFromCanonical(entry.waste, settings.volumeUnit),
    ),
    tap: text(entry.tds?.tap),
    membrane: text(entry.tds?.membrane),
    resin: text(entry.tds?.resin),
  }),
  read: (form, { settings }) => {
    const { read, note } = noteOf(form);
    const unit = settings.volumeUnit;
    const litres = linearToCanonical(
      read.number('volume', { aboveZero: true, max: 100_000 }),
      unit,
    );
    const minutes = read.optional('minutes', { aboveZero: true, max: 100_000 });
    const waste = read.optional('waste', { min: 0, max: 100_000 });
    const tap = read.optional('tap', MOST_TDS);
    const membrane = read.optional('membrane', MOST_TDS);
    const resin = read.optional('resin', MOST_TDS);
    const tds = {
      ...(tap === null ? {} : { tap }),
      ...(membrane === null ? {} : { membrane }),
      ...(resin === null ? {} : { resin }),
    };
    return read.result({
      kind: 'purified',
      litres,
      ...(minutes === null ? {} : { minutes }),
      ...(waste === null ? {} : { waste: linearToCanonical(waste, unit) }),
      ...(Object.keys(tds).length === 0 ? {} : { tds }),
      ...note,
    });
  },
  Fields,
  Meaning,
  labels: { volume: 'Water made' },
});

function Fields({ form, set, errors, context }: FieldsProps<PurifiedForm>) {
  const { volumeUnit } = context.settings;
  const tds = (name: 'tap' | 'membrane' | 'resin', label: string) => (
    <Field
      label={label}
      kind="number"
      unit="ppm"
      value={form[name]}
      error={errors[name]}
      onChange={(value) => set({ [name]: value })}
    />
  );
  return (
    <>
      <Field
        label="Water made"
        kind="number"
        unit={volumeUnit}
        value={form.volume}
        error={errors.volume}
        onChange={(volume) => set({ volume })}
      />
      <Field
        label="Time it took"
        kind="number"
        unit="min"
        hint="One timed jug is enough: how long a fill takes is learned from it."
        value={form.minutes}
        error={errors.minutes}
        onChange={(minutes) => set({ minutes })}
      />
      <Field
        label="To waste meanwhile"
        kind="number"
        unit={volumeUnit}
        value={form.waste}
        error={errors.waste}
        onChange={(waste) => set({ waste })}
      />
      {tds('tap', 'TDS of the tap')}
      {tds('membrane', 'TDS after the membrane')}
      {tds('resin', 'TDS after the resin')}
      <CautionRemark caution={CAUTIONS.purified} />
    </>
  );
}

function Meaning({ body, context }: { body: EntryBody<'purified'>; context: FormContext }) {
  const due = stagesDue(body.tds ?? {});
  const each = body.minutes === undefined ? null : body.minutes / body.litres;
  const { history } = context;
  const before = history.entries.purified;
  const through = before.reduce((sum, { entry }) => sum + entry.litres + (entry.waste ?? 0), 0);
  return (
    <>
      <Words as="soft">
        {`Each stage is due by its own sign: sediment by colour or falling pressure, carbon by its labelled litres or a chlorine test, membrane and resin by TDS. ${through > 0 ? `${formatPlain(through, 0)} L of tap water have gone through by this log.` : ''}`.trim()}
      </Words>
      {each === null ? null : (
        <Remark
          title={`${formatSignificant(Number(each.toPrecision(3)), 3)} minutes for each litre`}
        >
          {`The ${formatSignificant(Number(history.netLitres.toPrecision(3)), 3)} L of this tank would take ${formatSignificant(Number(((history.netLitres * each) / 60).toPrecision(2)), 2)} hours.`}
        </Remark>
      )}
      {due.map(({ stage, why }) => (
        <Remark key={stage} tone="watch" title={stage}>
          {why}
        </Remark>
      ))}
    </>
  );
}
