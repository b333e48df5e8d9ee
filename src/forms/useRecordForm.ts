import { zodResolver } from '@hookform/resolvers/zod';
import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { useForm, type DefaultValues, type FieldPath, type PathValue } from 'react-hook-form';
import * as z from 'zod';
import { recordOf } from '@/core/records/log';
import type { BodyOf, RecordType, Revision, RevisionOf } from '@/core/records/schema/revision';
import { draftChanged } from '@/store/draftsSlice';
import { useAppDispatch, useAppSelector } from '@/store/hooks';
import type { ActWriter } from '@/core/acts/writer';
import { newActId, recordAct, type SaveIssue } from '@/store/record';
import { selectLog } from '@/store/selectors';
import { readingSchema, type FormErrors, type FormReading } from './reader';

export type Fields = Record<string, unknown>;

/** A field that someone else changed as well: what is typed here, and what they made of it. */
export interface FieldConflict<F> {
  field: keyof F & string;
  mine: unknown;
  theirs: unknown;
}

interface RecordFormOptions<F extends Fields, Out, T extends RecordType> {
  /** Names the draft. */
  name: string;
  /** What the fields may hold: texts and choices, so that nothing typed is ever refused. */
  fields: z.ZodObject & z.ZodType<F, F>;
  read: (form: F) => FormReading<F, Out>;
  /** What the form begins with. */
  start: F;
  /** The record that is corrected, as it is now; none for a new one. */
  editing?: RevisionOf<T>;
  /** The form of a record's body, for what another tab made of it meanwhile. */
  formOf?: (body: BodyOf<T>) => F;
}

export interface RecordForm<F extends Fields, Out> {
  form: F;
  set: (changes: Partial<F>) => void;
  /** What is wrong, once saving was tried. */
  errors: FormErrors<F>;
  /** What is wrong with the whole, where it belongs to no field. */
  problem: string | null;
  /** What the form stands for as it is now. */
  reading: FormReading<F, Out>;
  conflicts: FieldConflict<F>[];
  settle: (field: keyof F & string, take: 'mine' | 'theirs') => void;
  busy: boolean;
  /** Whether anything was typed that is not saved. */
  dirty: boolean;
  /**
   * Records what the form stands for, as one act whose identity was fixed when the form was opened.
   * @returns whether it was recorded; what keeps it from being is then shown at its field
   */
  save: (
    write: (act: ActWriter, value: Out, settles: string[]) => void,
    words: string | ((value: Out) => string),
  ) => Promise<boolean>;
  /** Drops what was typed. */
  discard: () => void;
}

const storedSchema = z.object({
  actId: z.string(),
  base: z.object({ rev: z.number(), actId: z.string() }).nullable(),
  values: z.record(z.string(), z.unknown()),
});

const same = (a: unknown, b: unknown) => a === b || JSON.stringify(a) === JSON.stringify(b);

/** Stored values over those the form begins with: a field that is new or no longer fits keeps its own. */
function withStored<F extends Fields>(fields: z.ZodObject, start: F, stored: Fields): F {
  const merged: Fields = { ...start };
  for (const [name, schema] of Object.entries(fields.shape)) {
    if (!(name in stored)) continue;
    const read = z.safeParse(schema, stored[name]);
    if (read.success) merged[name] = read.data;
  }
  return merged as F;
}

/** Fields of the form that a conflict of the record itself touches, as each side has them. */
function recordConflicts<F extends Fields, T extends RecordType>(
  own: F,
  record: { head: Revision; conflicts: readonly { field: string; other: unknown }[] } | undefined,
  formOf?: (body: BodyOf<T>) => F,
): FieldConflict<F>[] {
  if (!record || !formOf || record.conflicts.length === 0) return [];
  const body: Fields = { ...record.head.body };
  for (const { field, other } of record.conflicts) {
    if (other === undefined) delete body[field];
    else body[field] = other;
  }
  const theirs = formOf(body as BodyOf<T>);
  return Object.keys(own)
    .filter((field) => !same(own[field], theirs[field]))
    .map((field) => ({ field, mine: own[field], theirs: theirs[field] }));
}

/**
 * A form that becomes a record. It owns the draft, which is stored on every change; the revision it
 * was begun from, so that what another tab saves meanwhile is merged field by field and shown where
 * both changed one; errors, saving and discarding.
 */
export function useRecordForm<F extends Fields, Out, T extends RecordType = RecordType>(
  options: RecordFormOptions<F, Out, T>,
): RecordForm<F, Out> {
  const { name, fields, read, start, editing, formOf } = options;
  const dispatch = useAppDispatch();
  const stored = useAppSelector((state) => state.drafts[name]);
  const record = useAppSelector((state) =>
    editing ? recordOf(selectLog(state), editing.id) : undefined,
  );
  const [opened] = useState(() => {
    const draft = storedSchema.safeParse(stored);
    const base = editing ? { rev: editing.rev, actId: editing.actId } : null;
    if (!draft.success) return { actId: dispatch(newActId()), base, values: start, dirty: false };
    return {
      actId: draft.data.actId,
      base: draft.data.base ?? base,
      values: withStored(fields, start, draft.data.values),
      dirty: true,
    };
  });
  const schema = useMemo(() => readingSchema(fields, read), [fields, read]);
  const engine = useForm<F, unknown, Out>({
    defaultValues: opened.values as DefaultValues<F>,
    resolver: zodResolver(schema),
  });
  // oxlint-disable-next-line react/incompatible-library -- no compiler memoizes this hook
  const form = engine.watch();
  const base = useRef(opened.base);
  const act = useRef({ id: opened.actId, own: !opened.dirty });
  const [dirty, setDirty] = useState(opened.dirty);
  const [conflicts, setConflicts] = useState<FieldConflict<F>[]>(() =>
    recordConflicts(opened.values, record, formOf),
  );
  const [problem, setProblem] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const saving = useRef(false);

  const keep = useCallback(
    (values: F) => {
      // A draft found here may lie open in another tab: what is made of it here is an act of its own.
      if (!act.current.own) act.current = { id: dispatch(newActId()), own: true };
      const value = { actId: act.current.id, base: base.current, values };
      dispatch(draftChanged({ name, value }));
    },
    [dispatch, name],
  );
  const put = useCallback(
    (changes: Partial<F>) => {
      for (const [field, value] of Object.entries(changes)) {
        engine.setValue(field as FieldPath<F>, value as PathValue<F, FieldPath<F>>, {
          shouldValidate: engine.formState.isSubmitted,
        });
      }
    },
    [engine],
  );
  const set = useCallback(
    (changes: Partial<F>) => {
      put(changes);
      setDirty(true);
      keep({ ...engine.getValues(), ...changes });
    },
    [put, keep, engine],
  );

  // Another tab saved the same record: what was not touched here follows it, the rest is shown.
  useEffect(() => {
    if (!editing || !formOf || !record || saving.current) return;
    const from = base.current;
    if (!from || (from.rev === editing.rev && from.actId === editing.actId)) return;
    const then = record.revisions.find((r) => r.rev === from.rev && r.actId === from.actId);
    const before = then ? formOf(then.body as BodyOf<T>) : start;
    const now = formOf(editing.body as BodyOf<T>);
    const mine = engine.getValues();
    const follow: Partial<F> = {};
    const both: FieldConflict<F>[] = [];
    for (const field of Object.keys(now) as (keyof F & string)[]) {
      if (same(now[field], before[field])) continue;
      if (same(mine[field], before[field])) follow[field] = now[field];
      else if (!same(mine[field], now[field])) {
        both.push({ field, mine: mine[field], theirs: now[field] });
      }
    }
    base.current = { rev: editing.rev, actId: editing.actId };
    put(follow);
    setConflicts((known) => [
      ...known.filter((c) => !both.some((b) => b.field === c.field)),
      ...both,
    ]);
  }, [editing, formOf, record, start, engine, put]);

  const settle = (field: keyof F & string, take: 'mine' | 'theirs') => {
    const conflict = conflicts.find((c) => c.field === field);
    if (conflict && take === 'theirs') set({ [field]: conflict.theirs } as Partial<F>);
    setConflicts(conflicts.filter((c) => c.field !== field));
  };

  const show = (issues: SaveIssue[]) => {
    const names = Object.keys(start);
    for (const { path, message } of issues) {
      const field = [...path].reverse().find((part) => names.includes(part));
      const sentence = `It ${message}.`.replace(/^It (It|Too|Invalid)/, '$1');
      if (field) engine.setError(field as FieldPath<F>, { message: sentence });
      else setProblem(`${path.join('.')}: ${message}`);
    }
  };

  const save: RecordForm<F, Out>['save'] = async (write, words) => {
    if (saving.current || conflicts.length > 0) return false;
    saving.current = true;
    setBusy(true);
    setProblem(null);
    let recorded = false;
    const settles = record?.conflicts.map((conflict) => conflict.field) ?? [];
    await engine.handleSubmit(async (value) => {
      const result = await dispatch(
        recordAct((writer) => write(writer, value, settles), {
          words: typeof words === 'string' ? words : words(value),
          actId: act.current.id,
          empties: [name],
        }),
      );
      recorded = result.issues.length === 0;
      show(result.issues);
    })();
    if (!recorded) {
      saving.current = false;
      setBusy(false);
    }
    return recorded;
  };

  const errors: FormErrors<F> = {};
  for (const field of Object.keys(start) as (keyof F & string)[]) {
    const message = engine.getFieldState(field as FieldPath<F>, engine.formState).error?.message;
    if (message) errors[field] = message;
  }

  return {
    form,
    set,
    errors,
    problem,
    reading: read(form),
    conflicts,
    settle,
    busy,
    dirty,
    save,
    discard: () => dispatch(draftChanged({ name, value: null })),
  };
}
