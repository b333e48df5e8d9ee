import { binderIn, COPPER_AND_BINDER } from '@/core/quarantine/medicine/copper';
import * as z from 'zod';
import { CAUTIONS } from '@/core/cautions';
import { NAME_LETTERS, NOTE_LETTERS } from '@/core/records/common';
import { OBSERVED, OBSERVED_WORDS } from '@/core/records/kinds/observation';
import { EXTENT_WORDS, EXTENTS, GROWTH_WORDS, GROWTHS } from '@/core/records/kinds/sighting';
import { agentName, AGENTS } from '@/core/records/kinds/treatment';
import { formatExact } from '@/core/units/format';
import { FormReader } from '@/forms/reader';
import { CautionRemark } from '@/frame/CautionRemark';
import { Choice, OptionList } from '@/ui/Choice';
import { Field } from '@/ui/Field';
import { Remark } from '@/ui/Remark';
import { entryForm, type FieldsProps } from './entryForm';
import { noteOf, SHARED, sharedFields } from './shared';

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

/** Something that may have harmed the filter bacteria. */
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
  read: (form, { history, now }) => {
    const read = new FormReader(form);
    const binder = form.agent === 'copper' ? binderIn(history.entries, now) : null;
    if (binder !== null) read.fail('product', `${binder} is in this water. ${COPPER_AND_BINDER}`);
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
        options={AGENTS.map((value) => ({ value, label: agentName(value) }))}
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
