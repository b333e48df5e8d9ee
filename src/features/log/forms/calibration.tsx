import * as z from 'zod';
import { STANDARD_WORDS } from '@/core/instruments/calibrateEvery';
import { toCanonical } from '@/core/parameters/convert';
import { PARAMETERS } from '@/core/parameters/registry';
import { idSchema, unitSchema } from '@/core/records/common';
import type { EntryBody } from '@/core/records/kinds';
import { countOf, formatExact, formatSignificant } from '@/core/units/format';
import { dimensionOf, unitSymbol, type Dimension, type Unit } from '@/core/units/units';
import { useAppSelector } from '@/store/hooks';
import { selectKits } from '@/store/selectors';
import { Choice, Tick } from '@/ui/Choice';
import { Field } from '@/ui/Field';
import { Remark } from '@/ui/Remark';
import { entryForm, type FieldsProps, type FormContext } from './entryForm';
import { noteOf, SHARED, sharedFields } from './shared';

const fields = z.object({
  ...sharedFields,
  kitId: z.string(),
  unit: unitSchema,
  standard: z.string(),
  read: z.string(),
  two: z.boolean(),
  standard2: z.string(),
  read2: z.string(),
  adjusted: z.enum(['set', 'left']),
});
type CalibrationForm = z.infer<typeof fields>;

const EMPTY: CalibrationForm = {
  ...SHARED,
  kitId: '',
  unit: 'ppt',
  standard: '',
  read: '',
  two: false,
  standard2: '',
  read2: '',
  adjusted: 'set',
};

/** What standards and instruments can show, canonical, by what they measure; other parameters know. */
const SHOWN: Partial<Record<Dimension, { low: number; high: number }>> = {
  salinity: { low: 0, high: 60 },
  ph: { low: 0, high: 14 },
  temperature: { low: -5, high: 105 },
};

function canBe(value: number, unit: Unit): boolean {
  const dimension = dimensionOf(unit);
  const { low, high } = SHOWN[dimension] ?? { low: 0, high: 10_000 };
  const canonical = toCanonical(value, unit);
  return Number.isFinite(canonical) && canonical >= low - 0.5 && canonical <= high + 0.5;
}

function wrongScale(unit: Unit): string {
  return unit.startsWith('sg')
    ? `This instrument reads ${unitSymbol(unit)}: a fluid of 35 ppt is about 1.026 on it.`
    : `That cannot be in ${unitSymbol(unit) || 'pH'}.`;
}

/** An instrument held against one standard or two. */
export const CalibrationEntryForm = entryForm<'calibration', CalibrationForm>({
  kind: 'calibration',
  fields,
  start: () => EMPTY,
  formOf: ({ at, note, kitId, unit, points: [first, second], adjusted }) => ({
    at,
    note: note ?? '',
    kitId,
    unit,
    standard: first ? formatExact(first.standard) : '',
    read: first ? formatExact(first.read) : '',
    two: second !== undefined,
    standard2: second ? formatExact(second.standard) : '',
    read2: second ? formatExact(second.read) : '',
    adjusted: adjusted ? 'set' : 'left',
  }),
  read: (form) => {
    const { read, note } = noteOf(form);
    if (!idSchema.safeParse(form.kitId).success) read.fail('kitId', 'Choose the instrument.');
    const number = (field: 'standard' | 'read' | 'standard2' | 'read2') => {
      const value = read.number(field, { min: -50, max: 100_000 });
      if (Number.isNaN(value) || canBe(value, form.unit)) return value;
      return read.fail(field, wrongScale(form.unit));
    };
    const points = [{ standard: number('standard'), read: number('read') }];
    if (form.two) points.push({ standard: number('standard2'), read: number('read2') });
    if (points[0]?.standard === points[1]?.standard) {
      read.fail('standard2', 'A second standard is another than the first.');
    }
    return read.result({
      kind: 'calibration',
      kitId: form.kitId,
      unit: form.unit,
      points,
      adjusted: form.adjusted === 'set',
      ...note,
    });
  },
  Fields,
  Meaning,
  labels: { standard: 'The standard', read: 'What it showed', kitId: 'Instrument' },
});

function Fields({ form, set, errors }: FieldsProps<CalibrationForm>) {
  const meters = useAppSelector(selectKits).filter((kit) => kit.body.scale.form === 'digital');
  const kit = meters.find(({ id }) => id === form.kitId)?.body;
  const unit = kit ? unitSymbol(form.unit) : undefined;
  const number = (
    name: 'standard' | 'read' | 'standard2' | 'read2',
    label: string,
    hint?: string,
  ) => (
    <Field
      label={label}
      kind="number"
      unit={unit}
      hint={hint}
      value={form[name]}
      error={errors[name]}
      onChange={(value) => set({ [name]: value })}
    />
  );
  if (meters.length === 0) {
    return (
      <Remark>
        Only instruments that show a number are checked against a standard. Add one under
        Instruments.
      </Remark>
    );
  }
  return (
    <>
      <Choice
        label="Instrument"
        value={form.kitId}
        onChange={(kitId) => {
          const chosen = meters.find(({ id }) => id === kitId)?.body;
          set({ kitId, unit: chosen?.unit ?? form.unit });
        }}
        options={meters.map(({ id, body }) => ({ value: id, label: body.name }))}
      />
      {errors.kitId ? <Remark tone="watch">{errors.kitId}</Remark> : null}
      {number(
        'standard',
        'The standard is',
        kit && STANDARD_WORDS[kit.parameter] ? `Usually ${STANDARD_WORDS[kit.parameter]}.` : '',
      )}
      {number('read', 'It showed')}
      <Tick
        label="A second standard"
        note="Two give a slope as well: a pen that is right at 7 may be wrong at 10."
        value={form.two}
        onChange={(two) => set({ two })}
      />
      {form.two ? (
        <>
          {number('standard2', 'The second standard is')}
          {number('read2', 'It showed there')}
        </>
      ) : null}
      <Choice
        label="Then"
        value={form.adjusted}
        onChange={(adjusted) => set({ adjusted })}
        options={[
          { value: 'set', label: 'I set it right' },
          { value: 'left', label: 'I left it as it is' },
        ]}
      />
    </>
  );
}

/** What the calibration makes of readings that there are. */
function Meaning({ body, context }: { body: EntryBody<'calibration'>; context: FormContext }) {
  const kit = context.history.kits[body.kitId];
  const [first] = body.points;
  if (!kit || !first) return null;
  const off = toCanonical(first.read, body.unit) - toCanonical(first.standard, body.unit);
  const { canonicalUnit, inSentence } = PARAMETERS[kit.parameter];
  const past = context.history.readings[kit.parameter].filter(
    (reading) => reading.kitId === body.kitId,
  );
  const size = `${formatSignificant(Number(Math.abs(off).toPrecision(2)), 2)} ${unitSymbol(canonicalUnit)}`;
  if (Math.abs(off) < 1e-9 && body.points.length === 1) {
    return <Remark title="It is right">Its past readings stand as they are.</Remark>;
  }
  return (
    <Remark tone="watch" title={`It showed ${size.trim()} too ${off > 0 ? 'much' : 'little'}`}>
      {`${countOf(past.length, 'reading')} of ${inSentence} with it will be read anew, by how much of the time since it was last right had passed. What was read stays beside it.`}
    </Remark>
  );
}
