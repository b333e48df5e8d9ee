import { useState } from 'react';
import * as z from 'zod';
import { instantSchema } from '@/core/records/schema/common';
import type { RevisionOf } from '@/core/records/schema/revision';
import { selectHistory } from '@/store/selectors';
import { useAppSelector, useDraft } from '@/store/hooks';
import { Field } from '@/ui/Field';
import { EntryForm } from './EntryForm';

const formSchema = z.object({ at: instantSchema.nullable(), text: z.string() });
type Form = z.infer<typeof formSchema>;

/** Writes a note into the log, or corrects one. */
export function NoteScreen({ editing }: { editing?: RevisionOf<'entry'> }) {
  const history = useAppSelector(selectHistory);
  const entry = editing?.body.kind === 'note' ? editing.body : null;
  const start: Form = entry ? { at: entry.at, text: entry.text } : { at: null, text: '' };
  const name = `note/${editing?.id ?? history?.tankId ?? ''}`;
  const [form, setForm] = useDraft<Form>(name, formSchema, start);
  const [shown, setShown] = useState(false);
  if (!history) return null;
  const text = form.text.trim();
  return (
    <EntryForm
      words={{ title: 'Note', saved: 'Saved the note', save: 'Save the note' }}
      tankId={history.tankId}
      tankName={history.tank.name}
      zone={history.tank.zone}
      at={form.at}
      onAt={(at) => setForm({ ...form, at })}
      clear={() => setForm(null)}
      editing={editing}
      read={() => {
        setShown(true);
        return text === '' || text.length > 4000 ? null : { kind: 'note', text };
      }}
    >
      <Field
        label="What you saw or did"
        kind="many"
        value={form.text}
        error={
          shown && text === ''
            ? 'Write a word or two first.'
            : text.length > 4000
              ? `A note holds 4000 letters; this one has ${text.length}. Split it in two.`
              : undefined
        }
        onChange={(next) => setForm({ ...form, text: next })}
      />
    </EntryForm>
  );
}
