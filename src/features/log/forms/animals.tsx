import * as z from 'zod';
import { limitWords } from '@/core/livestock/catalogue/limits';
import { sizeSchema } from '@/core/livestock/catalogue/size';
import { animalIdSchema } from '@/core/records/keys';
import { CAUTIONS } from '@/core/cautions';
import {
  daySchema,
  idSchema,
  labelSchema,
  NAME_LETTERS,
  NOTE_LETTERS,
  photoIdSchema,
} from '@/core/records/common';
import type { EntryBody } from '@/core/records/kinds';
import {
  ANIMAL_GROUPS,
  ANIMAL_MOVES,
  GROUP_WORDS,
  joins,
  type AnimalMove,
  type AnimalsEntry,
} from '@/core/records/kinds/animals';
import { lossOf } from '@/core/runs/lossOf';
import type { Settings } from '@/core/records/schema/settings';
import { formatExact } from '@/core/units/format';
import { linearFromCanonical, linearToCanonical, unitSymbol } from '@/core/units/units';
import { fulfilWishes } from '@/store/fulfil';
import { FormReader, type FormReading } from '@/forms/reader';
import { CautionRemark } from '@/frame/CautionRemark';
import { Choice } from '@/ui/Choice';
import { DayField } from '@/ui/DayField';
import { Field } from '@/ui/Field';
import { entryForm, type FieldsProps, type FormContext } from './entryForm';
import { SHARED, sharedFields } from './shared';

export const animalsFields = z.object({
  ...sharedFields,
  move: z.enum(ANIMAL_MOVES),
  group: z.enum(ANIMAL_GROUPS),
  what: z.string(),
  count: z.string(),
  grams: z.string(),
  size: z.string(),
  /** A length of an older log that no animal has, as it was typed. */
  sizeAsTyped: z.string(),
  known: z.enum(['sure', 'notSure']),
  source: z.string(),
  price: z.string(),
  until: z.string(),
  cause: z.string(),
  /** What other screens hand over, and nobody types: which animal, which group, which other tank. */
  species: z.string(),
  cohort: z.string(),
  otherTankId: z.string(),
  together: z.string(),
  photo: z.string(),
});
export type AnimalsForm = z.infer<typeof animalsFields>;

export const EMPTY_ANIMALS: AnimalsForm = {
  ...SHARED,
  move: 'in',
  group: 'fish',
  what: '',
  count: '1',
  grams: '',
  size: '',
  sizeAsTyped: '',
  known: 'sure',
  source: '',
  price: '',
  until: '',
  cause: '',
  species: '',
  cohort: '',
  otherTankId: '',
  together: '',
  photo: '',
};

export function formOfAnimals(entry: AnimalsEntry, settings: Settings): AnimalsForm {
  const number = (value: number | undefined) => (value === undefined ? '' : formatExact(value));
  const { sizeCm } = entry;
  return {
    at: entry.at,
    note: entry.note ?? '',
    move: entry.move,
    group: entry.group,
    what: entry.what,
    count: entry.count === undefined ? '' : String(entry.count),
    grams: number(entry.grams),
    size: sizeCm === undefined ? '' : number(linearFromCanonical(sizeCm, settings.lengthUnit)),
    sizeAsTyped: entry.asTyped === undefined ? '' : String(entry.asTyped.sizeCm),
    known: entry.notSure ? 'notSure' : 'sure',
    source: entry.source ?? '',
    price: number(entry.price),
    until: entry.until ?? '',
    cause: entry.cause ?? '',
    species: entry.species ?? '',
    cohort: entry.cohort ?? '',
    otherTankId: entry.otherTankId ?? '',
    together: entry.together ?? '',
    photo: entry.photo ?? '',
  };
}

/** What was handed over is kept where it is anything: an address may hold what it likes. */
function kept<K extends string>(name: K, value: string, schema: z.ZodType): { [P in K]?: string } {
  const part: { [P in K]?: string } = {};
  if (value !== '' && schema.safeParse(value).success) part[name] = value;
  return part;
}

/** What cannot be used stays with the entry until a length takes its place. */
function lengthAsTyped({ sizeAsTyped }: AnimalsForm): Pick<AnimalsEntry, 'asTyped'> {
  const sizeCm = Number(sizeAsTyped);
  return sizeAsTyped === '' || !Number.isFinite(sizeCm) ? {} : { asTyped: { sizeCm } };
}

export function readAnimals(
  form: AnimalsForm,
  settings: Settings,
): FormReading<AnimalsForm, EntryBody<'animals'>> {
  const read = new FormReader(form);
  const what = read.text('what', NAME_LETTERS, 'Say what they are.');
  const count = read.optional('count', { min: 1, max: 10_000 });
  if (count !== null && !Number.isInteger(count)) read.fail('count', 'Whole animals only.');
  const grams = read.optional('grams', { aboveZero: true });
  const size = read.optional('size', { aboveZero: true });
  const sizeCm = size === null ? null : linearToCanonical(size, settings.lengthUnit);
  if (sizeCm !== null && !sizeSchema.safeParse(sizeCm).success) {
    read.fail('size', `A length ${limitWords('adultCm')}.`);
  }
  const price = joins(form.move) ? read.optional('price', { aboveZero: true }) : null;
  if (form.until !== '' && !daySchema.safeParse(form.until).success) {
    read.fail('until', 'Give a day, such as 4 May.');
  }
  const dated = form.move === 'in' || form.move === 'lent';
  return read.result({
    kind: 'animals',
    move: form.move,
    group: form.group,
    what,
    ...(count === null ? {} : { count }),
    ...(grams === null ? {} : { grams }),
    ...(sizeCm === null ? lengthAsTyped(form) : { sizeCm }),
    ...(form.known === 'notSure' ? { notSure: true as const } : {}),
    ...(joins(form.move) ? read.optionalText('source', NAME_LETTERS) : {}),
    ...(price === null ? {} : { price }),
    ...(dated ? kept('until', form.until, daySchema) : {}),
    ...(form.move === 'died' ? read.optionalText('cause', NAME_LETTERS) : {}),
    ...kept('species', form.species, animalIdSchema),
    ...kept('cohort', form.cohort, idSchema),
    ...kept('otherTankId', form.otherTankId, idSchema),
    ...kept('together', form.together, labelSchema),
    ...kept('photo', form.photo, photoIdSchema),
    ...read.optionalText('note', NOTE_LETTERS),
  });
}

/** Animals that came, left or died. */
export const AnimalsEntryForm = entryForm({
  kind: 'animals',
  fields: animalsFields,
  start: () => EMPTY_ANIMALS,
  formOf: (entry, { settings }) => formOfAnimals(entry, settings),
  read: (form, { settings }) => readAnimals(form, settings),
  Fields: AnimalsFields,
  alongside: (act, body, tankId, at) => {
    const run = lossOf(tankId, body, at);
    if (run) act.create('run', run);
    fulfilWishes(act, tankId, body);
  },
  Meaning: AnimalsMeaning,
  labels: {
    what: 'What they are',
    count: 'How many',
    grams: 'Weight together',
    size: 'Length of one',
    source: 'Where from',
    price: 'Price',
    until: 'Until',
    cause: 'Cause',
  },
});

const MOVES: Record<AnimalMove, string> = {
  in: 'Came in',
  out: 'Went out',
  died: 'Died',
  missing: 'Missing',
  moved: 'Moved to another tank',
  lent: 'Lent',
  back: 'Came back',
};

function AnimalsFields({ form, set, errors, context }: FieldsProps<AnimalsForm>) {
  const { lengthUnit } = context.settings;
  const comes = joins(form.move);
  return (
    <>
      <Choice
        label="They"
        value={form.move}
        onChange={(move) => set({ move })}
        // Moving writes in two tanks at once: the animal's own page does it.
        options={ANIMAL_MOVES.filter((value) => value !== 'moved' || form.move === 'moved').map(
          (value) => ({ value, label: MOVES[value] }),
        )}
      />
      <Choice
        label="Kind of animal"
        value={form.group}
        onChange={(group) => set({ group })}
        options={ANIMAL_GROUPS.map((value) => ({ value, label: GROUP_WORDS[value] }))}
      />
      <Field
        label="What they are"
        value={form.what}
        error={errors.what}
        placeholder="as you call them"
        onChange={(what) => set({ what })}
      />
      {comes ? (
        <Choice
          label="Which it is"
          value={form.known}
          onChange={(known) => set({ known })}
          options={[
            { value: 'sure', label: 'Sure' },
            { value: 'notSure', label: 'Not sure' },
          ]}
        />
      ) : null}
      <Field
        label="How many"
        kind="number"
        value={form.count}
        error={errors.count}
        hint="Empty if nobody counted."
        onChange={(count) => set({ count })}
      />
      {form.group === 'coral' ? null : (
        <>
          <Field
            label="Length of one, if you know"
            unit={unitSymbol(lengthUnit)}
            kind="number"
            value={form.size}
            error={errors.size}
            onChange={(size) => set({ size })}
          />
          <Field
            label="Weight together, if you know"
            unit="g"
            kind="number"
            value={form.grams}
            error={errors.grams}
            onChange={(grams) => set({ grams })}
          />
        </>
      )}
      {comes ? (
        <>
          <Field
            label="Where from, if you like"
            value={form.source}
            error={errors.source}
            placeholder="a shop, a friend, bred at home"
            onChange={(source) => set({ source })}
          />
          <Field
            label="Price together, if you like"
            kind="number"
            value={form.price}
            error={errors.price}
            onChange={(price) => set({ price })}
          />
        </>
      ) : null}
      {form.move === 'lent' || form.move === 'in' ? (
        <DayField
          label={form.move === 'lent' ? 'Lent until' : 'To be rehomed by, if it outgrows this tank'}
          ahead
          value={form.until}
          today={context.today}
          error={errors.until}
          onChange={(until) => set({ until })}
        />
      ) : null}
      {form.move === 'died' ? (
        <Field
          label="What of, if you know"
          value={form.cause}
          error={errors.cause}
          placeholder="jumped, not eating, unknown"
          onChange={(cause) => set({ cause })}
        />
      ) : null}
    </>
  );
}

function AnimalsMeaning({ body, context }: { body: EntryBody<'animals'>; context: FormContext }) {
  if (body.move === 'died' || body.move === 'missing') {
    return <CautionRemark caution={CAUTIONS.deadAnimal} />;
  }
  if (body.move !== 'in') return null;
  const cycling = context.history.standing.runningSince === null;
  if (body.group === 'coral') return <CautionRemark caution={CAUTIONS.palytoxin} />;
  return (
    <>
      {body.group === 'fish' && cycling ? <CautionRemark caution={CAUTIONS.fishInCycle} /> : null}
      <CautionRemark caution={CAUTIONS.venom} />
    </>
  );
}
