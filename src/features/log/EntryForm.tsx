import { useState, type ReactNode } from 'react';
import { instant, isoInZone } from '@/core/time/zone';
import type { Entry } from '@/core/records/schema/entry';
import type { RevisionOf } from '@/core/records/schema/revision';
import { recordAct } from '@/store/record';
import { selectNow } from '@/store/selectors';
import { useAppDispatch, useAppSelector } from '@/store/hooks';
import { wallClock } from '@/shared/wallClock';
import { Button } from '@/ui/Press';
import { Footer } from '@/ui/Footer';
import { Screen } from '@/ui/Screen';
import { LogHead } from './LogHead';
import { useLeave } from '@/shared/useLeave';
import { When } from './When';

/** What an entry of one kind is called while it is saved and taken back. */
export interface EntryWords {
  title: string;
  saved: string;
  save: string;
}

interface EntryFormProps {
  words: EntryWords;
  tankId: string;
  tankName: string;
  zone: string;
  /** ISO instant; null for now. */
  at: string | null;
  onAt: (at: string | null) => void;
  /** The entry's body without tank and time; null while something is missing, which is then shown. */
  read: () => EntryBody | null;
  /** Forgets the draft. */
  clear: () => void;
  /** The entry that is corrected, if it is not a new one. */
  editing?: RevisionOf<'entry'>;
  children: ReactNode;
}

export type EntryBody = Entry extends infer E
  ? E extends Entry
    ? Omit<E, 'tankId' | 'at'>
    : never
  : never;

/** The frame of every entry form: head with its time, body, and the buttons that save or remove. */
export function EntryForm(props: EntryFormProps) {
  const { words, tankId, tankName, zone, at, onAt, read, clear, editing, children } = props;
  const dispatch = useAppDispatch();
  const leave = useLeave();
  const clock = useAppSelector(selectNow);
  const [busy, setBusy] = useState(false);
  const save = async () => {
    const body = read();
    if (!body || busy) return;
    setBusy(true);
    const when = isoInZone(at === null ? wallClock() : instant(at), zone);
    const entry = { ...body, tankId: editing?.body.tankId ?? tankId, at: when } as Entry;
    await dispatch(
      recordAct(
        (act) => (editing ? act.revise(editing, entry) : act.create('entry', entry)),
        editing ? `Corrected the ${words.title.toLowerCase()}` : words.saved,
      ),
    );
    clear();
    leave();
  };
  const remove = async () => {
    if (!editing || busy) return;
    setBusy(true);
    await dispatch(
      recordAct((act) => act.remove(editing), `Removed the ${words.title.toLowerCase()}`),
    );
    clear();
    leave();
  };
  return (
    <Screen
      head={
        <LogHead
          title={editing ? `Change ${words.title.toLowerCase()}` : words.title}
          tankName={tankName}
          editing={editing !== undefined}
          when={<When at={at} now={clock} zone={zone} onChange={onAt} />}
        />
      }
      footer={
        <Footer>
          {editing ? <Button kind="danger" label="Remove" onPress={() => void remove()} /> : null}
          <Button
            kind="primary"
            label={editing ? 'Save the change' : words.save}
            disabled={busy}
            onPress={() => void save()}
            style={{ flex: 1 }}
          />
        </Footer>
      }
    >
      {children}
    </Screen>
  );
}
