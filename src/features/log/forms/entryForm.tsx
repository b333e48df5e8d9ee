import { useMemo, useState, type ComponentType, type ReactNode } from 'react';
import * as z from 'zod';
import type { TankHistory } from '@/core/history/tankHistory';
import {
  kindName,
  type Entry,
  type EntryBody,
  type EntryKind,
  type EntryOf,
} from '@/core/records/kinds';
import type { RevisionOf } from '@/core/records/schema/revision';
import type { Settings } from '@/core/records/schema/settings';
import { dayOf, instant, isoInZone } from '@/core/time/zone';
import { capitalise } from '@/core/units/format';
import type { FormErrors, FormReading } from '@/forms/reader';
import { useRecordForm, type Fields } from '@/forms/useRecordForm';
import { useAppSelector } from '@/store/hooks';
import type { ActWriter } from '@/core/acts/writer';
import { selectNow, selectSettings, selectTankId } from '@/store/selectors';
import { selectHistoryOf } from '@/store/world';
import { EntryFrame } from './EntryFrame';
import type { SharedForm } from './shared';

/** What a form is filled in for. */
export interface FormContext {
  history: TankHistory;
  settings: Settings;
  now: number;
  /** The calendar day in the tank's zone. */
  today: string;
}

export interface FieldsProps<F> {
  form: F;
  set: (changes: Partial<F>) => void;
  errors: FormErrors<F>;
  context: FormContext;
}

/** The form of one kind of entry. */
export interface EntryFormSpec<K extends EntryKind, F extends Fields & SharedForm> {
  kind: K;
  fields: z.ZodObject & z.ZodType<F, F>;
  /** What a new one begins with. */
  start: (context: FormContext) => NoInfer<F>;
  formOf: (entry: EntryOf<K>, context: FormContext) => NoInfer<F>;
  read: (form: F, context: FormContext) => FormReading<F, EntryBody<K>>;
  Fields: ComponentType<FieldsProps<F>>;
  /** Beneath the fields: what it means for this tank. */
  Meaning?: ComponentType<{ body: EntryBody<K>; context: FormContext }>;
  /** What fields are called on screen, where that is not their name. */
  labels?: Partial<Record<keyof F & string, string>>;
  /** What a new one brings with it in the same act. */
  alongside?: (act: ActWriter, body: EntryBody<K>, tankId: string, at: string) => void;
  /** Whether the note has a field of its own. */
  note?: boolean;
}

export interface EntryFormProps {
  editing?: RevisionOf<'entry'>;
  /** What a new one begins with beyond its usual start, as whoever sends one here knows it. */
  given?: Readonly<Record<string, string>>;
}

/** A form with what it is made from, which tests go through for every kind. */
export type EntryFormOf<K extends EntryKind, F extends Fields & SharedForm> = ((
  props: EntryFormProps,
) => ReactNode) & { spec: EntryFormSpec<K, F> };

/** Reads what was handed over by an address: fields of the form, as texts. */
function withGiven<F extends Fields>(
  fields: z.ZodObject,
  start: F,
  given: Readonly<Record<string, string>>,
): F {
  const filled: Fields = { ...start };
  for (const [name, schema] of Object.entries(fields.shape)) {
    const read = z.safeParse(schema, given[name]);
    if (given[name] !== undefined && read.success) filled[name] = read.data;
  }
  return filled as F;
}

/** Makes the form of a kind: it logs a new entry for the tank in view, or corrects one where it is. */
export function entryForm<K extends EntryKind, F extends Fields & SharedForm>(
  spec: EntryFormSpec<K, F>,
): EntryFormOf<K, F> {
  function Form({ editing, given }: EntryFormProps) {
    const inView = useAppSelector(selectTankId);
    const [tankId] = useState(editing?.body.tankId ?? inView);
    const history = useAppSelector((state) => selectHistoryOf(state, tankId));
    if (!history) return null;
    return (
      <Editor
        key={editing?.id ?? 'new'}
        spec={spec}
        history={history}
        editing={editing}
        given={given}
      />
    );
  }
  return Object.assign(Form, { spec });
}

function isOfKind<K extends EntryKind>(entry: Entry, kind: K): entry is Entry & EntryOf<K> {
  return entry.kind === kind;
}

function Editor<K extends EntryKind, F extends Fields & SharedForm>({
  spec,
  history,
  editing,
  given,
}: {
  spec: EntryFormSpec<K, F>;
  history: TankHistory;
  editing?: RevisionOf<'entry'>;
  given?: Readonly<Record<string, string>>;
}) {
  const settings = useAppSelector(selectSettings);
  const now = useAppSelector(selectNow);
  const { zone } = history.tank;
  const today = dayOf(now, zone);
  const context = useMemo(
    (): FormContext => ({ history, settings, now, today }),
    [history, settings, now, today],
  );
  // What a form begins with is settled when it is opened, whatever is logged meanwhile.
  const [opened] = useState(context);
  const formOf = useMemo(
    () =>
      (entry: Entry): F =>
        isOfKind(entry, spec.kind) ? spec.formOf(entry, opened) : spec.start(opened),
    [spec, opened],
  );
  const [start] = useState(() =>
    editing
      ? formOf(editing.body)
      : given
        ? withGiven(spec.fields, spec.start(opened), given)
        : spec.start(opened),
  );
  const read = useMemo(() => (form: F) => spec.read(form, context), [spec, context]);
  const record = useRecordForm<F, EntryBody<K>, 'entry'>({
    name: `${spec.kind}/${editing?.id ?? history.tankId}`,
    fields: spec.fields,
    read,
    start,
    editing,
    formOf,
  });
  const { form, set, errors, reading } = record;
  const { Fields: FieldsOf, Meaning } = spec;
  let meaning: ReactNode = null;
  if (Meaning && reading.ok) meaning = <Meaning body={reading.value} context={context} />;
  return (
    <EntryFrame
      title={capitalise(nameOf(spec.kind))}
      history={history}
      editing={editing}
      record={record}
      labels={spec.labels}
      note={spec.note ?? true}
      write={(act, value, settles) => {
        const at = isoInZone(form.at === null ? act.now : instant(form.at), zone);
        const entry = { ...value, tankId: history.tankId, at } as Entry;
        if (editing) act.revise(editing, entry, settles);
        else {
          act.create('entry', entry);
          spec.alongside?.(act, value, history.tankId, at);
        }
      }}
    >
      <FieldsOf form={form} set={set} errors={errors} context={context} />
      {meaning}
    </EntryFrame>
  );
}

function nameOf(kind: EntryKind): string {
  return kindName({ kind });
}
