import { useState, type ReactNode } from 'react';
import type { TankHistory } from '@/core/history/tankHistory';
import type { RevisionOf } from '@/core/records/schema/revision';
import { FormRemarks } from '@/forms/FormRemarks';
import type { Fields, RecordForm } from '@/forms/useRecordForm';
import { useLeave } from '@/frame/useLeave';
import { useAppDispatch, useAppSelector } from '@/store/hooks';
import type { ActWriter } from '@/core/acts/writer';
import { recordAct } from '@/store/record';
import { selectNow } from '@/store/selectors';
import { Field } from '@/ui/Field';
import { Footer } from '@/ui/Footer';
import { Button } from '@/ui/Press';
import { Screen } from '@/ui/Screen';
import { LogHead, LogUnder } from '../LogHead';
import { When } from '@/ui/dates/When';
import type { SharedForm } from './shared';

interface EntryFrameProps<F extends Fields & SharedForm, Out> {
  title: string;
  history: TankHistory;
  /** The entry that is corrected, if it is not a new one. */
  editing?: RevisionOf<'entry'>;
  record: RecordForm<F, Out>;
  labels?: Partial<Record<keyof F & string, string>>;
  /** Whether the note has its field here. */
  note: boolean;
  write: (act: ActWriter, value: Out, settles: string[]) => void;
  children: ReactNode;
}

/** The frame of every entry form: head with its time, fields, note, and the buttons of its end. */
export function EntryFrame<F extends Fields & SharedForm, Out>({
  title,
  history,
  editing,
  record,
  labels,
  note,
  write,
  children,
}: EntryFrameProps<F, Out>) {
  const dispatch = useAppDispatch();
  const leave = useLeave();
  const clock = useAppSelector(selectNow);
  const [removing, setRemoving] = useState(false);
  const { form, set, errors, busy, dirty } = record;
  const name = title.toLowerCase();
  const save = async () => {
    const words = editing ? `Corrected the ${name}` : `Saved the ${name}`;
    if (await record.save(write, words)) leave();
  };
  const remove = async () => {
    if (!editing || removing) return;
    setRemoving(true);
    const result = await dispatch(recordAct((act) => act.remove(editing), `Removed the ${name}`));
    if (result.issues.length > 0) return setRemoving(false);
    record.discard();
    leave();
  };
  const shared = (changes: Partial<SharedForm>) => set(changes as Partial<F>);
  return (
    <Screen
      head={<LogHead title={editing ? `Change ${name}` : title} tankName={history.tank.name} />}
      under={
        <LogUnder
          editing={editing !== undefined}
          when={
            <When
              at={form.at}
              now={clock}
              zone={history.tank.zone}
              onChange={(at) => shared({ at })}
            />
          }
        />
      }
      footer={
        <Footer>
          {editing ? <Button kind="danger" label="Remove" onPress={() => void remove()} /> : null}
          {dirty ? (
            <Button
              label="Cancel"
              onPress={() => {
                record.discard();
                leave();
              }}
            />
          ) : null}
          <Button
            kind="primary"
            label={editing ? 'Save the change' : `Save the ${name}`}
            disabled={busy || removing}
            onPress={() => void save()}
            style={{ flex: 1 }}
          />
        </Footer>
      }
    >
      <FormRemarks form={record} labels={labels} />
      {children}
      {note ? (
        <Field
          label="Note"
          kind="many"
          value={form.note}
          error={errors.note}
          onChange={(text) => shared({ note: text })}
        />
      ) : null}
    </Screen>
  );
}
