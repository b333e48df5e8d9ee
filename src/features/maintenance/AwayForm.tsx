import { useState } from 'react';
import { View } from 'react-native';
import type { Absence } from '@/core/records/schema/absence';
import type { RevisionOf } from '@/core/records/schema/revision';
import { FormRemarks } from '@/forms/FormRemarks';
import { SaveRow } from '@/forms/SaveRow';
import { useRecordForm } from '@/forms/useRecordForm';
import { DayField } from '@/ui/DayField';
import { Field } from '@/ui/Field';
import { SectionHead } from '@/ui/Row';
import { awayFields, formOfAbsence, readAbsence, type AwayFields } from './awayForm';

/** Days away: from when to when, who comes by, whom to call, and what is fed at each tank. */
export function AwayForm({
  start,
  editing,
  tanks,
  today,
  onDone,
}: {
  /** What a new one begins with. */
  start: Absence;
  editing: RevisionOf<'absence'> | null;
  tanks: readonly { id: string; name: string }[];
  today: string;
  onDone: () => void;
}) {
  const [opened] = useState(() => formOfAbsence(editing?.body ?? start));
  const record = useRecordForm<AwayFields, Absence, 'absence'>({
    name: `away/${editing?.id ?? 'new'}`,
    fields: awayFields,
    read: readAbsence,
    start: opened,
    ...(editing ? { editing, formOf: formOfAbsence } : {}),
  });
  const { form, set, errors } = record;
  const save = async () => {
    const saved = await record.save((act, absence, settles) => {
      if (editing) act.revise(editing, absence, settles);
      else act.create('absence', absence);
    }, 'Days away saved');
    if (saved) onDone();
  };
  return (
    <View style={{ gap: 14 }}>
      <FormRemarks form={record} />
      <DayField
        label="First day away"
        value={form.from}
        error={errors.from}
        today={today}
        ahead
        onChange={(from) => set({ from })}
      />
      <DayField
        label="Last day away"
        value={form.until}
        error={errors.until}
        today={today}
        ahead
        onChange={(until) => set({ until })}
      />
      <Field
        label="Who comes by"
        hint="Left empty, what is daily waits as well."
        value={form.minder}
        error={errors.minder}
        onChange={(minder) => set({ minder })}
      />
      <Field
        label="Whom to call, and how"
        kind="many"
        hint="You, and a keeper nearby who could come. The emergency number stands on the sheet already."
        value={form.call}
        error={errors.call}
        onChange={(call) => set({ call })}
      />
      {tanks.map(({ id, name }) => (
        <View key={id} style={{ gap: 10 }}>
          <SectionHead title={name} />
          <Field
            label={`Food at ${name}`}
            kind="many"
            hint="In portions that you laid out, a box a day: strangers feed too much."
            value={form.food[id] ?? ''}
            onChange={(food) => set({ food: { ...form.food, [id]: food } })}
          />
          <Field
            label={`Not to be touched at ${name}`}
            kind="many"
            value={form.leave[id] ?? ''}
            onChange={(leave) => set({ leave: { ...form.leave, [id]: leave } })}
          />
        </View>
      ))}
      <SaveRow record={record} leave="Cancel" onSave={save} onLeave={onDone} />
    </View>
  );
}
