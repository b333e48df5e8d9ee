import * as z from 'zod';
import { idSchema, NAME_LETTERS } from '@/core/records/common';
import {
  DAILY_CHECK_STATES,
  SIGNS,
  SIGN_WORDS,
  SPONGE_MOVES,
  type Sign,
} from '@/core/records/kinds/dailyCheck';
import { MEDICATION_ACTS } from '@/core/records/kinds/medication';
import { formatExact } from '@/core/units/format';
import { Choice, Tick } from '@/ui/Choice';
import { Field } from '@/ui/Field';
import { Remark } from '@/ui/Remark';
import { entryForm, type FieldsProps } from './entryForm';
import { noteOf, SHARED, sharedFields } from './shared';

const signsField = z.string();
const dailyCheckFields = z.object({
  ...sharedFields,
  cohort: z.string(),
  what: z.string(),
  state: z.enum(DAILY_CHECK_STATES),
  /** The signs, joined by commas. */
  signs: signsField,
  breaths: z.string(),
});
type DailyCheckFields = z.infer<typeof dailyCheckFields>;

const isSign = (text: string): text is Sign => SIGNS.some((sign) => sign === text);
const signsOf = (text: string): Sign[] => text.split(',').filter(isSign);

const STATES = [
  { value: 'well', label: 'Well' },
  { value: 'notEating', label: 'Not eating' },
  { value: 'sign', label: 'A sign' },
] as const;

/** The look at one animal in quarantine: written by its batch, and corrected here. */
export const DailyCheckForm = entryForm<'dailyCheck', DailyCheckFields>({
  kind: 'dailyCheck',
  fields: dailyCheckFields,
  start: () => ({ ...SHARED, cohort: '', what: '', state: 'well', signs: '', breaths: '' }),
  formOf: ({ at, note, cohort, what, state, signs, breaths }) => ({
    at,
    note: note ?? '',
    cohort,
    what,
    state,
    signs: signs.join(),
    breaths: breaths === undefined ? '' : formatExact(breaths),
  }),
  read: (form) => {
    const { read, note } = noteOf(form);
    const what = read.text('what', NAME_LETTERS, 'Say which animal it was.');
    const breaths = read.optional('breaths', { min: 1, max: 400 });
    const signs = form.state === 'sign' ? signsOf(form.signs) : [];
    if (form.state === 'sign' && signs.length === 0) read.fail('signs', 'Say what was seen.');
    if (!idSchema.safeParse(form.cohort).success) {
      read.fail('what', 'Looks are logged from its batch, in Quarantine.');
    }
    return read.result({
      kind: 'dailyCheck',
      cohort: form.cohort,
      what,
      state: form.state,
      signs,
      ...(breaths === null ? {} : { breaths }),
      ...note,
    });
  },
  Fields: ({ form, set, errors }: FieldsProps<DailyCheckFields>) => {
    const chosen = signsOf(form.signs);
    return (
      <>
        <Choice
          label={form.what === '' ? 'It was' : `${form.what} was`}
          value={form.state}
          onChange={(state) => set({ state })}
          options={STATES}
        />
        {form.state === 'sign'
          ? SIGNS.map((sign) => (
              <Tick
                key={sign}
                label={SIGN_WORDS[sign]}
                value={chosen.includes(sign)}
                onChange={(on) =>
                  set({
                    signs: (on ? [...chosen, sign] : chosen.filter((one) => one !== sign)).join(),
                  })
                }
              />
            ))
          : null}
        {errors.signs || errors.what ? (
          <Remark tone="watch">{errors.signs ?? errors.what}</Remark>
        ) : null}
        <Field
          label="Breaths a minute, if counted"
          kind="number"
          value={form.breaths}
          error={errors.breaths}
          onChange={(breaths) => set({ breaths })}
        />
      </>
    );
  },
  labels: { breaths: 'Breaths a minute', signs: 'Signs', what: 'Which animal' },
});

const cleaningFields = z.object(sharedFields);

/** After a batch: what carries nothing over to the next. */
export const CleaningForm = entryForm<'cleaning', z.infer<typeof cleaningFields>>({
  kind: 'cleaning',
  fields: cleaningFields,
  start: () => SHARED,
  formOf: ({ at, note }) => ({ at, note: note ?? '' }),
  read: (form) => {
    const { read, note } = noteOf(form);
    return read.result({ kind: 'cleaning', ...note });
  },
  Fields: () => (
    <Remark>
      The sponge thrown away; tank, net, hose, cup and thermometer disinfected by the label of what
      you use, rinsed, and dried fully. Never bleach together with anything else.
    </Remark>
  ),
});

const spongeFields = z.object({
  ...sharedFields,
  move: z.enum(SPONGE_MOVES),
  fromTankId: z.string(),
});

/** A sponge on its way from a healthy tank through quarantine to the bin. */
export const SpongeForm = entryForm<'sponge', z.infer<typeof spongeFields>>({
  kind: 'sponge',
  fields: spongeFields,
  start: ({ history }) => ({
    ...SHARED,
    move: history.tank.kind === 'quarantine' ? 'working' : 'seeding',
    fromTankId: '',
  }),
  formOf: ({ at, note, move, fromTankId }) => ({
    at,
    note: note ?? '',
    move,
    fromTankId: fromTankId ?? '',
  }),
  read: (form) => {
    const { read, note } = noteOf(form);
    return read.result({
      kind: 'sponge',
      move: form.move,
      ...(form.move === 'working' && idSchema.safeParse(form.fromTankId).success
        ? { fromTankId: form.fromTankId }
        : {}),
      ...note,
    });
  },
  Fields: ({ form, set }: FieldsProps<z.infer<typeof spongeFields>>) => (
    <>
      <Choice
        label="The sponge"
        value={form.move}
        onChange={(move) => set({ move })}
        options={[
          { value: 'seeding', label: 'Is seeded here' },
          { value: 'working', label: 'Is put to work here' },
          { value: 'discarded', label: 'Was thrown away' },
        ]}
      />
      <Remark>
        In the flow of a healthy tank for four weeks and more it takes in the bacteria that hold
        ammonia in quarantine. It never goes back.
      </Remark>
    </>
  ),
});

const medicationFields = z.object({
  ...sharedFields,
  medicineId: z.string(),
  what: z.string(),
  act: z.enum(MEDICATION_ACTS),
  mL: z.string(),
  /** What the amount is in. */
  unit: z.enum(['mL', 'grams', 'tablets']),
  value: z.string(),
});

/** A medicine by its label: written by Quarantine, and corrected here. */
export const MedicationForm = entryForm<'medication', z.infer<typeof medicationFields>>({
  kind: 'medication',
  fields: medicationFields,
  start: () => ({
    ...SHARED,
    medicineId: '',
    what: '',
    act: 'given',
    mL: '',
    unit: 'mL',
    value: '',
  }),
  formOf: ({ at, note, medicineId, what, act, mL, grams, tablets, value }) => ({
    at,
    note: note ?? '',
    medicineId,
    what,
    act,
    mL: [mL, grams, tablets].map((one) => (one === undefined ? '' : formatExact(one))).join(''),
    unit: grams !== undefined ? 'grams' : tablets !== undefined ? 'tablets' : 'mL',
    value: value === undefined ? '' : formatExact(value),
  }),
  read: (form) => {
    const { read, note } = noteOf(form);
    const what = read.text('what', NAME_LETTERS, 'Say which medicine it was.');
    const mL = form.act === 'given' ? read.optional('mL', { aboveZero: true }) : null;
    const value = form.act === 'measured' ? read.optional('value', { min: 0 }) : null;
    if (form.act === 'measured' && value === null) read.fail('value', 'What did the test read?');
    if (!idSchema.safeParse(form.medicineId).success) {
      read.fail('what', 'Medicines are logged by their labels, in Quarantine.');
    }
    return read.result({
      kind: 'medication',
      medicineId: form.medicineId,
      what,
      act: form.act,
      ...(mL === null ? {} : { [form.unit]: mL }),
      ...(value === null ? {} : { value }),
      ...note,
    });
  },
  Fields: ({ form, set, errors }: FieldsProps<z.infer<typeof medicationFields>>) => (
    <>
      <Choice
        label={form.what === '' ? 'It was' : `${form.what} was`}
        value={form.act}
        onChange={(act) => set({ act })}
        options={[
          { value: 'given', label: 'Given' },
          { value: 'measured', label: 'Measured' },
          { value: 'carbonIn', label: 'Being taken out' },
        ]}
      />
      {errors.what ? <Remark tone="watch">{errors.what}</Remark> : null}
      {form.act === 'given' ? (
        <Field
          label="How much, by its label"
          unit={{ mL: 'mL', grams: 'g', tablets: 'tablets' }[form.unit]}
          kind="number"
          value={form.mL}
          error={errors.mL}
          onChange={(mL) => set({ mL })}
        />
      ) : null}
      {form.act === 'measured' ? (
        <Field
          label="The test read, in the label's unit"
          kind="number"
          value={form.value}
          error={errors.value}
          onChange={(value) => set({ value })}
        />
      ) : null}
    </>
  ),
  labels: { mL: 'How much', value: 'The test read', what: 'Which medicine' },
});
