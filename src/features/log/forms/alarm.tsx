import { View } from 'react-native';
import * as z from 'zod';
import { alarm as alarmKind } from '@/core/records/kinds/alarm';
import { alarmTitle, alarmWorst } from '@/core/monitor/alarms/alarmWords';
import { Words } from '@/ui/Words';
import { entryForm, type FieldsProps } from './entryForm';
import { noteOf, SHARED, sharedFields } from './shared';
import { jsonOf } from '@/core/records/file/json';

const measuredSchema = alarmKind.schema.omit({ tankId: true, at: true, note: true });
/** What was measured is no field that one types: it goes along as it is, as text. */
const alarmFields = z.object({ ...sharedFields, measured: z.string() });

function measuredOf(text: string): z.infer<typeof measuredSchema> | null {
  return measuredSchema.safeParse(jsonOf(text)).data ?? null;
}

/** What a monitor rang for: what it measured stands, a note may be added. */
export const AlarmForm = entryForm<'alarm', z.infer<typeof alarmFields>>({
  kind: 'alarm',
  fields: alarmFields,
  start: () => ({ ...SHARED, measured: '' }),
  formOf: ({ at, note, tankId: _tank, ...measured }) => ({
    at,
    note: note ?? '',
    measured: JSON.stringify(measured),
  }),
  read: (form) => {
    const { read, note } = noteOf(form);
    const measured = measuredOf(form.measured);
    if (!measured) read.fail('measured', 'Only a monitor can write an alarm.');
    return read.result({
      kind: 'alarm',
      connectionId: '',
      alarm: 'silent',
      ...measured,
      ...note,
    });
  },
  Fields: ({ form, errors }: FieldsProps<z.infer<typeof alarmFields>>) => {
    const measured = measuredOf(form.measured);
    return (
      <View>
        <Words as="strong">{measured ? alarmTitle(measured.alarm) : 'An alarm'}</Words>
        <Words as="soft">
          {measured ? alarmWorst(measured.alarm, measured.worst) : (errors.measured ?? '')}
        </Words>
      </View>
    );
  },
});
