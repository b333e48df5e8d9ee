import * as z from 'zod';
import { NAME_LETTERS, NOTE_LETTERS } from '@/core/records/common';
import { COST_KINDS, COSTS } from '@/core/records/kinds/cost';
import { formatExact } from '@/core/units/format';
import { FormReader } from '@/forms/reader';
import { Choice } from '@/ui/Choice';
import { Field } from '@/ui/Field';
import { entryForm, type FieldsProps } from './entryForm';
import { SHARED, sharedFields } from './shared';

const costFields = z.object({
  ...sharedFields,
  of: z.enum(COST_KINDS),
  what: z.string(),
  amount: z.string(),
});
type CostForm = z.infer<typeof costFields>;

/** Money that a tank cost, by what it went for. */
export const CostEntryForm = entryForm<'cost', CostForm>({
  kind: 'cost',
  fields: costFields,
  start: ({ history }) => ({
    ...SHARED,
    of: history.entries.cost.at(-1)?.entry.of ?? 'equipment',
    what: '',
    amount: '',
  }),
  formOf: ({ at, note, of, what, amount }) => ({
    at,
    note: note ?? '',
    of,
    what: what ?? '',
    amount: formatExact(amount),
  }),
  read: (form) => {
    const read = new FormReader(form);
    return read.result({
      kind: 'cost',
      of: form.of,
      amount: read.number('amount', { aboveZero: true }),
      ...read.optionalText('what', NAME_LETTERS),
      ...read.optionalText('note', NOTE_LETTERS),
    });
  },
  Fields: CostFields,
  labels: { amount: 'What it cost', what: 'What it was' },
});

function CostFields({ form, set, errors, context }: FieldsProps<CostForm>) {
  return (
    <>
      <Field
        label="What it cost"
        kind="number"
        unit={context.settings.currency ?? ''}
        value={form.amount}
        error={errors.amount}
        hint="Animals’ prices, where you logged them, are counted already."
        onChange={(amount) => set({ amount })}
      />
      <Choice
        label="For"
        value={form.of}
        onChange={(of) => set({ of })}
        options={COST_KINDS.map((value) => ({ value, label: COSTS[value].name }))}
      />
      <Field
        label="What it was"
        value={form.what}
        error={errors.what}
        onChange={(what) => set({ what })}
      />
    </>
  );
}
