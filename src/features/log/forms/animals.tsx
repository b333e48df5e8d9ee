import * as z from 'zod';
import { CAUTIONS } from '@/core/cautions';
import { NAME_LETTERS, NOTE_LETTERS } from '@/core/records/common';
import type { EntryBody } from '@/core/records/kinds';
import {
  ANIMAL_GROUPS,
  ANIMAL_MOVES,
  GROUP_WORDS,
  type AnimalsEntry,
} from '@/core/records/kinds/animals';
import { formatExact } from '@/core/units/format';
import { FormReader, type FormReading } from '@/forms/reader';
import { CautionRemark } from '@/frame/CautionRemark';
import { Choice } from '@/ui/Choice';
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
});
export type AnimalsForm = z.infer<typeof animalsFields>;

export const EMPTY_ANIMALS: AnimalsForm = {
  ...SHARED,
  move: 'in',
  group: 'fish',
  what: '',
  count: '1',
  grams: '',
};

export function formOfAnimals(entry: AnimalsEntry): AnimalsForm {
  return {
    at: entry.at,
    note: entry.note ?? '',
    move: entry.move,
    group: entry.group,
    what: entry.what,
    count: entry.count === undefined ? '' : String(entry.count),
    grams: entry.grams === undefined ? '' : formatExact(entry.grams),
  };
}

export function readAnimals(form: AnimalsForm): FormReading<AnimalsForm, EntryBody<'animals'>> {
  const read = new FormReader(form);
  const what = read.text('what', NAME_LETTERS, 'Say what they are.');
  const count = read.optional('count', { min: 1, max: 10_000 });
  if (count !== null && !Number.isInteger(count)) read.fail('count', 'Whole animals only.');
  const grams = read.optional('grams', { aboveZero: true });
  return read.result({
    kind: 'animals',
    move: form.move,
    group: form.group,
    what,
    ...(count === null ? {} : { count }),
    ...(grams === null ? {} : { grams }),
    ...read.optionalText('note', NOTE_LETTERS),
  });
}

/** Animals that came, left or died. */
export const AnimalsEntryForm = entryForm({
  kind: 'animals',
  fields: animalsFields,
  start: () => EMPTY_ANIMALS,
  formOf: formOfAnimals,
  read: readAnimals,
  Fields: AnimalsFields,
  Meaning: AnimalsMeaning,
  labels: { what: 'What they are', count: 'How many', grams: 'Weight together' },
});

function AnimalsFields({ form, set, errors }: FieldsProps<AnimalsForm>) {
  return (
    <>
      <Choice
        label="They"
        value={form.move}
        onChange={(move) => set({ move })}
        options={ANIMAL_MOVES.map((value) => ({
          value,
          label: { in: 'Came in', out: 'Went out', died: 'Died' }[value],
        }))}
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
      <Field
        label="How many"
        kind="number"
        value={form.count}
        error={errors.count}
        hint="Empty if nobody counted."
        onChange={(count) => set({ count })}
      />
      {form.group === 'coral' ? null : (
        <Field
          label="Weight together, if you know"
          unit="g"
          kind="number"
          value={form.grams}
          error={errors.grams}
          onChange={(grams) => set({ grams })}
        />
      )}
    </>
  );
}

function AnimalsMeaning({ body, context }: { body: EntryBody<'animals'>; context: FormContext }) {
  if (body.move === 'died') return <CautionRemark caution={CAUTIONS.deadAnimal} />;
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
