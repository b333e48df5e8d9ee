import * as z from 'zod';
import { WEIGHED, WEIGHED_UNIT, WEIGHED_WORDS } from '@/core/records/kinds/weighing';
import { formatExact, formatSignificant } from '@/core/units/format';
import { Choice } from '@/ui/Choice';
import { Field } from '@/ui/Field';
import { Words } from '@/ui/Words';
import { entryForm, type FieldsProps } from './entryForm';
import { noteOf, SHARED, sharedFields } from './shared';

const fields = z.object({
  ...sharedFields,
  what: z.enum(WEIGHED),
  count: z.string(),
  amount: z.string(),
});
type WeighingForm = z.infer<typeof fields>;

/** A cup or a drop weighed once. */
export const WeighingEntryForm = entryForm<'weighing', WeighingForm>({
  kind: 'weighing',
  fields,
  start: () => ({ ...SHARED, what: 'saltCup', count: '', amount: '' }),
  formOf: ({ at, note, what, count, amount }) => ({
    at,
    note: note ?? '',
    what,
    count: formatExact(count),
    amount: formatExact(amount),
  }),
  read: (form) => {
    const { read, note } = noteOf(form);
    const count = read.number('count', { aboveZero: true, max: 10_000 });
    const amount = read.number('amount', { aboveZero: true, max: 100_000 });
    const each = amount / count;
    if (read.ok && form.what === 'drop' && (each < 0.01 || each > 0.2)) {
      read.fail('amount', 'A drop is between 0.01 and 0.2 mL: count and amount do not fit.');
    }
    return read.result({ kind: 'weighing', what: form.what, count, amount, ...note });
  },
  Fields: ({ form, set, errors }: FieldsProps<WeighingForm>) => {
    const each = Number(form.amount) / Number(form.count);
    return (
      <>
        <Choice
          label="What"
          value={form.what}
          onChange={(what) => set({ what })}
          options={WEIGHED.map((value) => ({ value, label: WEIGHED_WORDS[value] }))}
        />
        <Field
          label="How many"
          kind="number"
          hint="More of them come nearer to one."
          value={form.count}
          error={errors.count}
          onChange={(count) => set({ count })}
        />
        <Field
          label="What they came to"
          kind="number"
          unit={WEIGHED_UNIT[form.what]}
          hint={form.what === 'drop' ? 'Water: what it weighs in g is its mL.' : undefined}
          value={form.amount}
          error={errors.amount}
          onChange={(amount) => set({ amount })}
        />
        {Number.isFinite(each) && each > 0 ? (
          <Words as="soft">
            {`One is ${formatSignificant(Number(each.toPrecision(3)), 3)} ${WEIGHED_UNIT[form.what]}; sums and forms take it from now on.`}
          </Words>
        ) : null}
      </>
    );
  },
});
