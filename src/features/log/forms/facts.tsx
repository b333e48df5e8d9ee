import * as z from 'zod';
import { KEY_LETTERS, narrowKey } from '@/core/records/keys';
import { CAUTIONS } from '@/core/cautions';
import { instantSchema, NOTE_LETTERS } from '@/core/records/common';
import type { EntryBody } from '@/core/records/kinds';
import { TASK_MARK_WORDS, TASK_MARKS, TITLE_LETTERS } from '@/core/records/kinds/taskMark';
import { FormReader } from '@/forms/reader';
import { CautionRemark } from '@/frame/CautionRemark';
import { Choice } from '@/ui/Choice';
import { Field } from '@/ui/Field';
import { toCanonical } from '@/core/parameters/convert';
import { unitFor } from '@/core/records/schema/settings';
import { formatExact } from '@/core/units/format';
import { Remark } from '@/ui/Remark';
import { entryForm, type FieldsProps } from './entryForm';
import { noteOf, SHARED, sharedFields } from './shared';

const lidFields = z.object({ ...sharedFields, fitted: z.enum(['fitted', 'off']) });

/** A lid or mesh fitted, or taken off. */
export const LidForm = entryForm<'lid', z.infer<typeof lidFields>>({
  kind: 'lid',
  fields: lidFields,
  start: ({ history }) => ({ ...SHARED, fitted: history.standing.lid ? 'off' : 'fitted' }),
  formOf: ({ at, note, fitted }) => ({
    at,
    note: note ?? '',
    fitted: fitted ? 'fitted' : 'off',
  }),
  read: (form) => {
    const { read, note } = noteOf(form);
    return read.result({ kind: 'lid', fitted: form.fitted === 'fitted', ...note });
  },
  Fields: ({ form, set }: FieldsProps<z.infer<typeof lidFields>>) => (
    <>
      <Choice
        label="The lid or mesh"
        value={form.fitted}
        onChange={(fitted) => set({ fitted })}
        options={[
          { value: 'fitted', label: 'Is fitted' },
          { value: 'off', label: 'Was taken off' },
        ]}
      />
      <Remark>Every new fish jumps when stressed; a lid comes before the first one.</Remark>
    </>
  ),
});

const plainFields = z.object(sharedFields);
type PlainFields = z.infer<typeof plainFields>;

type PlainKind = 'filled' | 'running' | 'closed';

function plain<K extends PlainKind>(
  kind: K,
  Fields: (props: FieldsProps<PlainFields>) => React.ReactNode,
) {
  return entryForm<PlainKind, PlainFields>({
    kind,
    fields: plainFields,
    start: () => SHARED,
    formOf: ({ at, note }) => ({ at, note: note ?? '' }),
    read: (form) => {
      const { read, note } = noteOf(form);
      return read.result<EntryBody<PlainKind>>({ kind, ...note });
    },
    Fields,
  });
}

export const FilledForm = plain('filled', () => (
  <Remark>The day water went in. Days of the cycle are counted from it.</Remark>
));

export const RunningForm = plain('running', () => (
  <Remark>
    From here on the tank counts as cycled, with animals in it. What the log shows of its cycle is
    still judged on tests alone.
  </Remark>
));

export const ClosedForm = plain('closed', () => (
  <Remark>
    From here on nothing falls due at it. Its log stays, and the closing can be undone. Animals,
    rock and water go to other keepers or the waste: never into the wild.
  </Remark>
));

const TEMPERATURES = ['°C', '°F'] as const;
const heaterFields = z.object({
  ...sharedFields,
  dial: z.string(),
  thermometer: z.string(),
  unit: z.enum(TEMPERATURES),
});
type HeaterFields = z.infer<typeof heaterFields>;

/** Water that a heater stands in, °C. */
const COLDEST = 0;
const WARMEST = 45;

function unitOf(wanted: string | undefined): (typeof TEMPERATURES)[number] {
  return TEMPERATURES.find((unit) => unit === wanted) ?? '°C';
}

/** A heater checked against a thermometer: what its dial says, and what the water has. */
export const HeaterCheckForm = entryForm<'heaterCheck', HeaterFields>({
  kind: 'heaterCheck',
  fields: heaterFields,
  start: ({ settings }) => ({
    ...SHARED,
    dial: '',
    thermometer: '',
    unit: unitOf(unitFor(settings, 'temperature')),
  }),
  formOf: ({ at, note, dial, thermometer }, { settings }) => ({
    at,
    note: note ?? '',
    dial: dial ? formatExact(dial.value) : '',
    thermometer: thermometer ? formatExact(thermometer.value) : '',
    unit: unitOf(dial?.unit ?? unitFor(settings, 'temperature')),
  }),
  read: (form) => {
    const { read, note } = noteOf(form);
    const { unit } = form;
    const water = (field: 'dial' | 'thermometer') => {
      const value = read.optional(field);
      const celsius = value === null ? null : toCanonical(value, unit);
      if (celsius !== null && (celsius < COLDEST || celsius > WARMEST)) {
        read.fail(field, `No heater stands in water of that: look at the unit, ${unit}.`);
      }
      return value;
    };
    const dial = water('dial');
    const thermometer = water('thermometer');
    if (dial !== null && thermometer === null) {
      read.fail('thermometer', 'What did the thermometer read?');
    }
    if (thermometer !== null && dial === null) read.fail('dial', 'What is its dial set to?');
    const both =
      dial === null || thermometer === null
        ? {}
        : { dial: { value: dial, unit }, thermometer: { value: thermometer, unit } };
    return read.result({ kind: 'heaterCheck', ...both, ...note });
  },
  Fields: ({ form, set, errors }: FieldsProps<HeaterFields>) => (
    <>
      <Remark>
        Run it for a night in a bucket of tank water, then check it against a thermometer you trust.
      </Remark>
      <Field
        label="Its dial is set to"
        kind="number"
        unit={form.unit}
        value={form.dial}
        error={errors.dial}
        hint="Leave both empty where you only saw that they agree."
        onChange={(dial) => set({ dial })}
      />
      <Field
        label="The thermometer reads"
        kind="number"
        unit={form.unit}
        value={form.thermometer}
        error={errors.thermometer}
        onChange={(thermometer) => set({ thermometer })}
      />
      <CautionRemark caution={CAUTIONS.unplugFirst} />
    </>
  ),
});

const taskMarkFields = z.object({
  ...sharedFields,
  task: z.string(),
  title: z.string(),
  how: z.enum(TASK_MARKS),
  until: instantSchema.nullable(),
});

/** What was said of a task. */
export const TaskMarkForm = entryForm<'taskMark', z.infer<typeof taskMarkFields>>({
  kind: 'taskMark',
  fields: taskMarkFields,
  start: () => ({ ...SHARED, task: '', title: '', how: 'done', until: null }),
  formOf: ({ at, note, task, title, how, until }) => ({
    at,
    note: note ?? '',
    task,
    title,
    how,
    until: until ?? null,
  }),
  read: (form) => {
    const read = new FormReader(form);
    const note = read.optionalText('note', NOTE_LETTERS);
    const until = form.how === 'snoozed' && form.until !== null ? { until: form.until } : {};
    const task = narrowKey(read.text('task', KEY_LETTERS, 'No task was named.'));
    const title = read.text('title', TITLE_LETTERS, 'No task was named.');
    return read.result({
      kind: 'taskMark',
      task,
      title,
      how: form.how,
      ...until,
      ...note,
    });
  },
  Fields: ({ form, set }: FieldsProps<z.infer<typeof taskMarkFields>>) => (
    <Choice
      label={form.title}
      value={form.how}
      onChange={(how) => set({ how })}
      options={TASK_MARKS.map((value) => ({ value, label: TASK_MARK_WORDS[value] }))}
    />
  ),
});
