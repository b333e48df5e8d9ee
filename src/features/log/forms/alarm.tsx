import { View } from 'react-native';
import * as z from 'zod';
import { alarm as alarmKind } from '@/core/records/kinds/alarm';
import { alarmTitle, alarmWorst } from '@/core/monitor/alarmWords';
import { Words } from '@/ui/Words';
import { entryForm, type FieldsProps } from './entryForm';
import { noteOf, SHARED, sharedFields } from './shared';

const measured = alarmKind.schema.omit({ tankId: true, at: true, note: true });
const alarmFields = z.object({ ...sharedFields, measured });

/** What a monitor rang for: what it measured stands, a note may be added. */
export const AlarmForm = entryForm<'alarm', z.infer<typeof alarmFields>>({
  kind: 'alarm',
  fields: alarmFields,
  start: () => ({ ...SHARED, measured: { kind: 'alarm', connectionId: '', alarm: 'silent' } }),
  formOf: ({ at, note, tankId: _tank, ...entry }) => ({ at, note: note ?? '', measured: entry }),
  read: (form) => {
    const { read, note } = noteOf(form);
    return read.result({ ...form.measured, ...note });
  },
  Fields: ({ form }: FieldsProps<z.infer<typeof alarmFields>>) => (
    <View>
      <Words as="strong">{alarmTitle(form.measured.alarm)}</Words>
      <Words as="soft">{alarmWorst(form.measured.alarm, form.measured.worst)}</Words>
    </View>
  ),
});
