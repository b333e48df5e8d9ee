import { useState } from 'react';
import { View } from 'react-native';
import type { RevisionOf } from '@/core/records/schema/revision';
import { dayOf } from '@/core/time/zone';
import { FormRemarks } from '@/forms/FormRemarks';
import { SaveRow } from '@/forms/SaveRow';
import { useRecordForm } from '@/forms/useRecordForm';
import { useAppSelector } from '@/store/hooks';
import { selectNow, selectSettings } from '@/store/selectors';
import { Choice, MultiChoice } from '@/ui/Choice';
import { DayField } from '@/ui/DayField';
import { Field } from '@/ui/Field';
import {
  choreFields,
  emptyChore,
  formOfChore,
  readChore,
  type ChoreBody,
  type ChoreFields,
} from './choreForm';

const WEEKDAYS = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun'].map((label, day) => ({
  value: String(day),
  label,
}));

/** A chore as it stands, and the record that says so; a usual one has none until it is changed. */
export interface EditedChore {
  of: string | null;
  record: RevisionOf<'chore'> | null;
  body: ChoreBody;
}

/** How a keeper wants a chore: its name, minutes, water, and when it comes round. */
export function ChoreForm({
  tankId,
  zone,
  chore,
  onDone,
}: {
  tankId: string;
  zone: string;
  chore: EditedChore | null;
  onDone: () => void;
}) {
  const { volumeUnit } = useAppSelector(selectSettings);
  const today = dayOf(useAppSelector(selectNow), zone);
  const [start] = useState(() =>
    chore ? formOfChore(chore.body, today, volumeUnit) : emptyChore(today, volumeUnit),
  );
  const record = useRecordForm<ChoreFields, ChoreBody, 'chore'>({
    name: `chores/${tankId}/${chore?.record?.id ?? chore?.of ?? 'new'}`,
    fields: choreFields,
    read: readChore,
    start,
    ...(chore?.record
      ? { editing: chore.record, formOf: (body: ChoreBody) => formOfChore(body, today, volumeUnit) }
      : {}),
  });
  const { form, set, errors } = record;
  const save = async () => {
    const saved = await record.save((act, body, settles) => {
      const whole = { tankId, ...(chore?.of ? { of: chore.of } : {}), ...body };
      if (chore?.record) act.revise(chore.record, whole, settles);
      else act.create('chore', whole);
    }, 'Chore saved');
    if (saved) onDone();
  };
  return (
    <View style={{ gap: 14 }}>
      <FormRemarks form={record} />
      <Field
        label="What it is"
        value={form.name}
        error={errors.name}
        onChange={(name) => set({ name })}
      />
      <View style={{ flexDirection: 'row', gap: 10, flexWrap: 'wrap' }}>
        <Field
          style={{ flexGrow: 1, flexBasis: 130 }}
          label="It takes"
          kind="number"
          unit="min"
          value={form.minutes}
          error={errors.minutes}
          onChange={(minutes) => set({ minutes })}
        />
        <Field
          style={{ flexGrow: 1, flexBasis: 130 }}
          label="New salt water"
          kind="number"
          unit={form.waterUnit}
          value={form.water}
          error={errors.water}
          onChange={(water) => set({ water })}
        />
      </View>
      <Choice
        label="It comes round"
        value={form.by}
        onChange={(by) => set({ by })}
        options={[
          { value: 'days', label: 'After the last time' },
          { value: 'calendar', label: 'On days of the calendar' },
        ]}
      />
      <Field
        label={form.by === 'days' ? 'Days after the last time' : 'Every'}
        kind="number"
        unit={form.by === 'days' ? 'days' : ''}
        value={form.every}
        error={errors.every}
        onChange={(every) => set({ every })}
      />
      {form.by === 'calendar' ? (
        <>
          <Choice
            label="Counted in"
            value={form.unit}
            onChange={(unit) => set({ unit })}
            options={[
              { value: 'day', label: 'Days' },
              { value: 'week', label: 'Weeks' },
              { value: 'month', label: 'Months' },
            ]}
          />
          {form.unit === 'week' ? (
            <MultiChoice
              label="On"
              value={form.weekdays.map(String)}
              onChange={(days) => set({ weekdays: days.map(Number) })}
              options={WEEKDAYS}
            />
          ) : null}
          <DayField
            label="From"
            value={form.start}
            error={errors.start}
            today={today}
            ahead
            onChange={(day) => set({ start: day })}
          />
        </>
      ) : null}
      <Choice
        label="Ask for it"
        value={form.asked}
        onChange={(asked) => set({ asked })}
        options={[
          { value: 'yes', label: 'When it is due' },
          { value: 'no', label: 'Not at all' },
        ]}
      />
      <SaveRow record={record} leave="Cancel" onSave={save} onLeave={onDone} />
    </View>
  );
}
