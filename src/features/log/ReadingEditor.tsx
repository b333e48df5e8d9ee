import { useState } from 'react';
import * as z from 'zod';
import { kitOf, type TankHistory } from '@/core/history/tankHistory';
import { readingUnit } from '@/core/history/reading';
import { PARAMETERS } from '@/core/parameters/registry';
import { instantSchema } from '@/core/records/schema/common';
import type { ReadingEntry } from '@/core/records/schema/entry';
import type { RevisionOf } from '@/core/records/schema/revision';
import { formatPlain, parseNumber } from '@/core/units/format';
import { unitSymbol } from '@/core/units/units';
import { selectHistory, selectLog } from '@/store/selectors';
import { useAppSelector, useDraft } from '@/store/hooks';
import { Choice } from '@/ui/Choice';
import { Field } from '@/ui/Field';
import { Words } from '@/ui/Words';
import { CardSteps } from './CardSteps';
import { EntryForm } from './EntryForm';

const formSchema = z.object({
  at: instantSchema,
  low: z.int(),
  high: z.int(),
  text: z.string(),
  dilution: z.number(),
  note: z.string(),
});
type Form = z.infer<typeof formSchema>;

function formOf(entry: ReadingEntry): Form {
  const { value } = entry;
  return {
    at: entry.at,
    low: value.form === 'card' ? value.low : 0,
    high: value.form === 'card' ? value.high : 0,
    text: value.form === 'digital' ? formatPlain(value.value, 4) : '',
    dilution: entry.dilution,
    note: entry.note ?? '',
  };
}

/** Corrects one reading: its value on the steps it was read against, its time, its dilution. */
export function ReadingEditor({ editing }: { editing: RevisionOf<'entry'> }) {
  const history = useAppSelector(selectHistory);
  if (!history || editing.body.kind !== 'reading') return null;
  return <Editor key={editing.id} history={history} editing={editing} entry={editing.body} />;
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
  const kit = useAppSelector((state) => kitOf(selectLog(state), entry.kitId));
  const [form, setForm] = useDraft<Form>(`reading/${editing.id}`, formSchema, formOf(entry));
  const [shown, setShown] = useState(false);
  const { name } = PARAMETERS[entry.parameter];
  const digital = parseNumber(form.text);
  const wrong = entry.value.form === 'digital' && digital === null;
  return (
    <EntryForm
      words={{ title: `${name} reading`, saved: 'Saved', save: 'Save' }}
      tankId={entry.tankId}
      tankName={history.tank.name}
      zone={history.tank.zone}
      at={form.at}
      onAt={(at) => setForm({ ...form, at: at ?? new Date().toISOString() })}
      clear={() => setForm(null)}
      editing={editing}
      read={() => {
        setShown(true);
        if (wrong) return null;
        const { note: _old, tankId: _tank, at: _at, ...rest } = entry;
        const note = form.note.trim();
        return {
          ...rest,
          dilution: form.dilution,
          value:
            entry.value.form === 'card'
              ? { ...entry.value, low: form.low, high: form.high }
              : { ...entry.value, value: digital ?? entry.value.value },
          ...(note ? { note } : {}),
        };
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
              if (next) setForm({ ...form, ...next });
            }}
          />
          <Choice
            label="Was the sample diluted?"
            value={String(form.dilution)}
            onChange={(value) => setForm({ ...form, dilution: Number(value) })}
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
          error={shown && wrong ? `"${form.text}" is not a number.` : undefined}
          onChange={(text) => setForm({ ...form, text })}
        />
      )}
      <Field
        label="Note"
        kind="many"
        value={form.note}
        onChange={(note) => setForm({ ...form, note })}
      />
    </EntryForm>
  );
}
