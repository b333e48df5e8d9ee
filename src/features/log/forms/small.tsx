import * as z from 'zod';
import { CAUTIONS } from '@/core/cautions';
import { instantSchema, NAME_LETTERS, NOTE_LETTERS } from '@/core/records/common';
import type { EntryBody } from '@/core/records/kinds';
import { OBSERVED, OBSERVED_WORDS } from '@/core/records/kinds/observation';
import { EXTENT_WORDS, EXTENTS, GROWTH_WORDS, GROWTHS } from '@/core/records/kinds/sighting';
import {
  TASK_LETTERS,
  TASK_MARK_WORDS,
  TASK_MARKS,
  TITLE_LETTERS,
} from '@/core/records/kinds/taskMark';
import { AGENT_WORDS, AGENTS } from '@/core/records/kinds/treatment';
import { formatExact } from '@/core/units/format';
import { FormReader } from '@/forms/reader';
import { CautionRemark } from '@/frame/CautionRemark';
import { Choice, OptionList } from '@/ui/Choice';
import { Field } from '@/ui/Field';
import { Remark } from '@/ui/Remark';
import { entryForm, type FieldsProps } from './entryForm';
import { SHARED, sharedFields, type SharedForm } from './shared';

/** The note of a form as a part of its record, with what is wrong with it noted. */
function noteOf(form: SharedForm) {
  const read = new FormReader(form);
  return { read, note: read.optionalText('note', NOTE_LETTERS) };
}

const noteFields = z.object({ ...sharedFields, text: z.string() });
type NoteFields = z.infer<typeof noteFields>;

/** Whatever one wants to find again. */
export const NoteForm = entryForm({
  kind: 'note',
  fields: noteFields,
  start: () => ({ ...SHARED, text: '' }),
  formOf: (entry) => ({ ...SHARED, at: entry.at, text: entry.text }),
  read: (form) => {
    const read = new FormReader(form);
    const text = read.text('text', NOTE_LETTERS, 'Write a word or two first.');
    return read.result({ kind: 'note', text });
  },
  Fields: ({ form, set, errors }: FieldsProps<NoteFields>) => (
    <Field
      label="What you saw or did"
      kind="many"
      value={form.text}
      error={errors.text}
      onChange={(text) => set({ text })}
    />
  ),
  note: false,
});

const observationFields = z.object({
  ...sharedFields,
  about: z.enum(OBSERVED),
  which: z.string(),
  text: z.string(),
});

/** Something seen, and of what. */
export const ObservationForm = entryForm<'observation', z.infer<typeof observationFields>>({
  kind: 'observation',
  fields: observationFields,
  start: () => ({ ...SHARED, about: 'tank', which: '', text: '' }),
  formOf: (entry) => ({
    ...SHARED,
    at: entry.at,
    about: entry.about,
    which: entry.which ?? '',
    text: entry.text,
  }),
  read: (form) => {
    const read = new FormReader(form);
    const text = read.text('text', NOTE_LETTERS, 'Write a word or two first.');
    const which = form.about === 'tank' ? {} : read.optionalText('which', NAME_LETTERS);
    return read.result({ kind: 'observation', about: form.about, ...which, text });
  },
  Fields: ({ form, set, errors }: FieldsProps<z.infer<typeof observationFields>>) => (
    <>
      <Choice
        label="Of"
        value={form.about}
        onChange={(about) => set({ about })}
        options={OBSERVED.map((value) => ({ value, label: OBSERVED_WORDS[value] }))}
      />
      {form.about === 'tank' ? null : (
        <Field
          label="Which"
          value={form.which}
          error={errors.which}
          onChange={(which) => set({ which })}
        />
      )}
      <Field
        label="What you saw"
        kind="many"
        value={form.text}
        error={errors.text}
        onChange={(text) => set({ text })}
      />
    </>
  ),
  note: false,
});

const sightingFields = z.object({
  ...sharedFields,
  growth: z.enum(GROWTHS),
  extent: z.enum(EXTENTS),
});

/** One growth, as far as it was seen to reach. */
export const SightingForm = entryForm<'sighting', z.infer<typeof sightingFields>>({
  kind: 'sighting',
  fields: sightingFields,
  start: () => ({ ...SHARED, growth: 'diatoms', extent: 'trace' }),
  formOf: ({ at, note, growth, extent }) => ({ at, note: note ?? '', growth, extent }),
  read: (form) => {
    const { read, note } = noteOf(form);
    return read.result({ kind: 'sighting', growth: form.growth, extent: form.extent, ...note });
  },
  Fields: ({ form, set }: FieldsProps<z.infer<typeof sightingFields>>) => (
    <>
      <OptionList
        label="Growth"
        value={form.growth}
        onChange={(growth) => set({ growth })}
        options={GROWTHS.map((value) => ({
          value,
          label: GROWTH_WORDS[value].name,
          note: GROWTH_WORDS[value].looks,
        }))}
      />
      <Choice
        label="How far"
        value={form.extent}
        onChange={(extent) => set({ extent })}
        options={EXTENTS.map((value) => ({ value, label: EXTENT_WORDS[value] }))}
      />
      {form.growth === 'brownSnot' ? (
        <Remark tone="watch" title="Easily mistaken for diatoms">
          The remedies are opposite: this one grows worse when nitrate and phosphate are starved to
          zero. Diatoms stay overnight; this is gone by morning.
        </Remark>
      ) : null}
    </>
  ),
});

const lightFields = z.object({
  ...sharedFields,
  state: z.enum(['on', 'off']),
  hours: z.string(),
});

/** The light switched on for good, or off. */
export const LightForm = entryForm<'light', z.infer<typeof lightFields>>({
  kind: 'light',
  fields: lightFields,
  start: ({ history }) => ({ ...SHARED, state: history.standing.lit ? 'off' : 'on', hours: '' }),
  formOf: ({ at, note, state, hoursADay }) => ({
    at,
    note: note ?? '',
    state,
    hours: hoursADay === undefined ? '' : formatExact(hoursADay),
  }),
  read: (form) => {
    const read = new FormReader(form);
    const hours = form.state === 'on' ? read.optional('hours', { aboveZero: true, max: 24 }) : null;
    return read.result({
      kind: 'light',
      state: form.state,
      ...(hours === null ? {} : { hoursADay: hours }),
      ...read.optionalText('note', NOTE_LETTERS),
    });
  },
  Fields: ({ form, set, errors }: FieldsProps<z.infer<typeof lightFields>>) => (
    <>
      <Choice
        label="Light"
        value={form.state}
        onChange={(state) => set({ state })}
        options={[
          { value: 'on', label: 'On' },
          { value: 'off', label: 'Off' },
        ]}
      />
      {form.state === 'on' ? (
        <Field
          label="Hours a day, if you know"
          unit="h"
          kind="number"
          value={form.hours}
          error={errors.hours}
          onChange={(hours) => set({ hours })}
        />
      ) : null}
    </>
  ),
});

const treatmentFields = z.object({
  ...sharedFields,
  agent: z.enum(AGENTS),
  product: z.string(),
});

/** Something that may have harmed the colony. */
export const TreatmentForm = entryForm<'treatment', z.infer<typeof treatmentFields>>({
  kind: 'treatment',
  fields: treatmentFields,
  start: () => ({ ...SHARED, agent: 'antibiotic', product: '' }),
  formOf: ({ at, note, agent, product }) => ({
    at,
    note: note ?? '',
    agent,
    product: product ?? '',
  }),
  read: (form) => {
    const read = new FormReader(form);
    return read.result({
      kind: 'treatment',
      agent: form.agent,
      ...read.optionalText('product', NAME_LETTERS),
      ...read.optionalText('note', NOTE_LETTERS),
    });
  },
  Fields: ({ form, set, errors }: FieldsProps<z.infer<typeof treatmentFields>>) => (
    <>
      <Choice
        label="What"
        value={form.agent}
        onChange={(agent) => set({ agent })}
        options={AGENTS.map((value) => ({ value, label: AGENT_WORDS[value] }))}
      />
      <Field
        label="What you call it"
        value={form.product}
        error={errors.product}
        onChange={(product) => set({ product })}
      />
      <CautionRemark caution={CAUTIONS.medicine} />
    </>
  ),
});

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

function plain<K extends 'filled' | 'running' | 'heaterCheck'>(
  kind: K,
  Fields: (props: FieldsProps<PlainFields>) => React.ReactNode,
) {
  return entryForm<'filled' | 'running' | 'heaterCheck', PlainFields>({
    kind,
    fields: plainFields,
    start: () => SHARED,
    formOf: ({ at, note }) => ({ at, note: note ?? '' }),
    read: (form) => {
      const { read, note } = noteOf(form);
      return read.result<EntryBody<'filled' | 'running' | 'heaterCheck'>>({ kind, ...note });
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

export const HeaterCheckForm = plain('heaterCheck', () => (
  <>
    <Remark>Run it for a night, then hold it against a thermometer you trust.</Remark>
    <CautionRemark caution={CAUTIONS.unplugFirst} />
  </>
));

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
    const task = read.text('task', TASK_LETTERS, 'No task was named.');
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
