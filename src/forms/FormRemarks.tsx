import { View } from 'react-native';
import { Button } from '@/ui/Press';
import { Remark } from '@/ui/Remark';
import type { Fields, RecordForm } from './useRecordForm';

function words(value: unknown): string {
  if (value === true) return 'yes';
  if (value === false) return 'no';
  return value === '' || value === null || value === undefined ? 'nothing' : String(value);
}

/** What stands in the way of a form as a whole: a field that two changed, a record that does not pass. */
export function FormRemarks<F extends Fields, Out>({
  form,
  labels = {},
}: {
  form: RecordForm<F, Out>;
  /** What fields are called on screen. */
  labels?: Partial<Record<keyof F & string, string>>;
}) {
  return (
    <>
      {form.conflicts.map(({ field, mine, theirs }) => (
        <View key={field} role="alert" style={{ gap: 8 }}>
          <Remark tone="watch" title={`${labels[field] ?? field} was changed elsewhere as well`}>
            {`Here: ${words(mine)}. There: ${words(theirs)}. Choose the one that is right.`}
          </Remark>
          <View style={{ flexDirection: 'row', gap: 10, flexWrap: 'wrap' }}>
            <Button
              label={`Keep mine: ${words(mine)}`}
              onPress={() => form.settle(field, 'mine')}
            />
            <Button
              label={`Take theirs: ${words(theirs)}`}
              onPress={() => form.settle(field, 'theirs')}
            />
          </View>
        </View>
      ))}
      {form.problem ? (
        <View role="alert">
          <Remark tone="watch" title="Not saved yet">
            {`${form.problem}. What you typed is kept.`}
          </Remark>
        </View>
      ) : null}
    </>
  );
}
