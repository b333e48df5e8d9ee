import { useState } from 'react';
import * as z from 'zod';
import type { TankHistory } from '@/core/history/tankHistory';
import { PARAMETERS } from '@/core/parameters/registry';
import { instantSchema, NOTE_LETTERS } from '@/core/records/common';
import type { Entry } from '@/core/records/kinds';
import { readingUnit, type ReadingEntry } from '@/core/records/kinds/reading';
import type { RevisionOf } from '@/core/records/schema/revision';
import { instant, isoInZone } from '@/core/time/zone';
import { formatExact, formatPlain } from '@/core/units/format';
import { unitSymbol } from '@/core/units/units';
import { FormReader, type FormReading } from '@/forms/reader';
import { useRecordForm } from '@/forms/useRecordForm';
import { useAppSelector } from '@/store/hooks';
import { selectLog } from '@/store/selectors';
import { selectHistoryOf } from '@/store/world';
import { Choice } from '@/ui/Choice';
import { Field } from '@/ui/Field';
import { Words } from '@/ui/Words';
import { CardSteps } from './CardSteps';
import { EntryFrame } from './forms/EntryFrame';

const readingFields = z.object({
  at: instantSchema.nullable(),
  low: z.int(),
  high: z.int(),
  text: z.string(),
  dilution: z.number(),
  note: z.string(),
});
type ReadingForm = z.infer<typeof readingFields>;

function formOfReading(entry: Entry): ReadingForm {
  const value = entry.kind === 'reading' ? entry.value : null;
  return {
    at: entry.at,
    low: value?.form === 'card' ? value.low : 0,
    high: value?.form === 'card' ? value.high : 0,
    text: value?.form === 'digital' ? formatExact(value.value) : '',
    dilution: entry.kind === 'reading' ? entry.dilution : 1,
    note: entry.note ?? '',
  };
}

function readReading(
  entry: ReadingEntry,
  form: ReadingForm,
): FormReading<ReadingForm, Omit<ReadingEntry, 'tankId' | 'at'>> {
  const read = new FormReader(form);
  const value: ReadingEntry['value'] =
    entry.value.form === 'card'
      ? { ...entry.value, low: form.low, high: form.high }
      : { ...entry.value, value: read.number('text') };
  const note = read.optionalText('note', NOTE_LETTERS);
  const { note: _old, tankId: _tank, at: _at, ...rest } = entry;
  return read.result({ ...rest, dilution: form.dilution, value, ...note });
}

/** Corrects one reading: its value on the steps it was read against, its time, its dilution. */
export function ReadingEditor({ editing }: { editing: RevisionOf<'entry'> }) {
  const history = useAppSelector((state) => selectHistoryOf(state, editing.body.tankId));
  if (!history || editing.body.kind !== 'reading') return null;
  return <Editor history={history} editing={editing} entry={editing.body} />;
}

function Editor({
  history,
  editing,
  entry,
}: {
  history: TankHistory;
  editing: RevisionOf<'entry'>;
  entry: ReadingEntry;
}) {
  const kit = useAppSelector((state) => selectLog(state).everyKit[entry.kitId]);
  const [start] = useState(() => formOfReading(entry));
  const [read] = useState(() => (form: ReadingForm) => readReading(entry, form));
  const record = useRecordForm<ReadingForm, Omit<ReadingEntry, 'tankId' | 'at'>, 'entry'>({
    name: `reading/${editing.id}`,
    fields: readingFields,
    read,
    start,
    editing,
    formOf: formOfReading,
  });
  const { form, set, errors } = record;
  const { name } = PARAMETERS[entry.parameter];
  return (
    <EntryFrame
      title={`${name} reading`}
      history={history}
      editing={editing}
      record={record}
      labels={{ text: name, low: 'The step', high: 'The upper step' }}
      note
      write={(act, value, settles) => {
        const at = isoInZone(instant(form.at ?? entry.at), history.tank.zone);
        act.revise(editing, { ...value, tankId: entry.tankId, at }, settles);
      }}
    >
      <Words as="soft">{kit ? `Read with: ${kit.name}` : 'The kit is no longer known.'}</Words>
      {entry.value.form === 'card' ? (
        <>
          <CardSteps
            name={name}
            steps={entry.value.steps}
            chosen={{ low: form.low, high: form.high }}
            onChange={(next) => {
              if (next) set(next);
            }}
          />
          <Choice
            label="Was the sample diluted?"
            value={String(form.dilution)}
            onChange={(value) => set({ dilution: Number(value) })}
            options={[...new Set([1, 2, 4, 10, form.dilution])].map((d) => ({
              value: String(d),
              label: d === 1 ? 'Not diluted' : `1 part in ${formatPlain(d)}`,
            }))}
          />
        </>
      ) : (
        <Field
          label={name}
          kind="number"
          unit={unitSymbol(readingUnit(entry, kit))}
          value={form.text}
          error={errors.text}
          onChange={(text) => set({ text })}
        />
      )}
    </EntryFrame>
  );
}
