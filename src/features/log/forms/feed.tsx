import { View } from 'react-native';
import * as z from 'zod';
import { NOTE_LETTERS } from '@/core/records/common';
import type { EntryBody } from '@/core/records/kinds';
import { FOODS, FOODS_AS_FED } from '@/core/records/kinds/feed';
import { portionsOf } from '@/core/water/learned';
import { formatExact, formatPlain } from '@/core/units/format';
import { FormReader, type FormReading } from '@/forms/reader';
import { Choice } from '@/ui/Choice';
import { Field } from '@/ui/Field';
import { entryForm, type FieldsProps } from './entryForm';
import { SHARED, sharedFields } from './shared';

export const feedFields = z.object({
  ...sharedFields,
  food: z.enum(FOODS),
  by: z.enum(['grams', 'portions']),
  amount: z.string(),
});
export type FeedForm = z.infer<typeof feedFields>;

export const EMPTY_FEED: FeedForm = { ...SHARED, food: 'pellets', by: 'portions', amount: '1' };

export function readFeed(form: FeedForm): FormReading<FeedForm, EntryBody<'feed'>> {
  const read = new FormReader(form);
  const value = read.number('amount', { aboveZero: true, max: form.by === 'grams' ? 200 : 100 });
  const amount: EntryBody<'feed'>['amount'] =
    form.by === 'grams' ? { by: 'grams', grams: value } : { by: 'portions', portions: value };
  return read.result({
    kind: 'feed',
    food: form.food,
    amount,
    ...read.optionalText('note', NOTE_LETTERS),
  });
}

/** Food for animals, or for filter bacteria that have none yet; the next is like the last. */
export const FeedEntryForm = entryForm({
  kind: 'feed',
  fields: feedFields,
  start: ({ history }) => {
    const last = history.entries.feed.at(-1)?.entry;
    return last ? { ...formOfFeed(last), at: null, note: '' } : EMPTY_FEED;
  },
  formOf: formOfFeed,
  read: readFeed,
  Fields: FeedFields,
  labels: { amount: 'How much' },
});

export function formOfFeed(entry: EntryBody<'feed'> & { at: string }): FeedForm {
  return {
    at: entry.at,
    note: entry.note ?? '',
    food: entry.food,
    by: entry.amount.by,
    amount: formatExact(entry.amount.by === 'grams' ? entry.amount.grams : entry.amount.portions),
  };
}

function FeedFields({ form, set, errors, context }: FieldsProps<FeedForm>) {
  const { portion, portionGrams } = FOODS_AS_FED[form.food];
  const weighed = portionsOf(context.history)[form.food];
  return (
    <>
      <Choice
        label="Food"
        value={form.food}
        onChange={(food) => set({ food })}
        options={FOODS.map((value) => ({ value, label: FOODS_AS_FED[value].name }))}
      />
      <Choice
        label="Counted in"
        value={form.by}
        onChange={(by) => set({ by })}
        options={[
          { value: 'portions', label: `Portions, a ${portion} each` },
          { value: 'grams', label: 'Grams' },
        ]}
      />
      <View>
        <Field
          label="How much"
          unit={form.by === 'grams' ? 'g' : ''}
          kind="number"
          value={form.amount}
          error={errors.amount}
          hint={
            form.by === 'grams'
              ? 'Weighed as it goes in'
              : weighed === undefined
                ? `A ${portion} is taken as ${formatPlain(portionGrams)} g; weigh ten once, and it goes by yours`
                : `A ${portion} of yours is ${formatPlain(weighed, 2)} g`
          }
          onChange={(amount) => set({ amount })}
        />
      </View>
    </>
  );
}
