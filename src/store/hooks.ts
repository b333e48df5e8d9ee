import { useCallback, useEffect, useState } from 'react';
import { useDispatch, useSelector, useStore } from 'react-redux';
import * as z from 'zod';
import { draftChanged } from './draftsSlice';
import type { AppStore } from './store';
import type { AppDispatch, AppThunk, RootState } from './state';

export const useAppDispatch = useDispatch.withTypes<AppDispatch>();
/** The store itself, for what is read once, at a tap. */
export const useAppStore = useStore.withTypes<AppStore>();
export const useAppSelector = useSelector.withTypes<RootState>();

/**
 * A draft that is stored on every change and survives a reload. What does not parse, because an
 * older version wrote it, counts as empty.
 */
export function useDraft<T>(
  name: string,
  schema: z.ZodType<T>,
  empty: T,
): [T, (value: T | null) => void] {
  const dispatch = useAppDispatch();
  const stored = useAppSelector((state) => state.drafts[name]);
  const parsed = schema.safeParse(stored);
  const change = useCallback(
    (value: T | null) => {
      dispatch(draftChanged({ name, value }));
    },
    [dispatch, name],
  );
  return [parsed.success ? parsed.data : empty, change];
}

const typedSchema = z.string();

/**
 * A field's text, kept as it is typed: it survives a reload, and leaves no trace once it is as it began.
 * @param name tells it apart from every other field of the app
 * @returns with what lets it go once it was used
 */
export function useTyped(
  name: string,
  start = '',
): [text: string, setText: (text: string) => void, done: () => void] {
  const [text, setText] = useDraft<string>(`typed/${name}`, typedSchema, start);
  const change = useCallback(
    (next: string) => setText(next === start ? null : next),
    [setText, start],
  );
  const done = useCallback(() => setText(null), [setText]);
  return [text, change, done];
}

const loadAside =
  (): AppThunk<Promise<Record<string, string>>> =>
  async (_dispatch, _getState, { databases }) =>
    databases.opened.log.aside().catch(() => ({}));

/** The damaged blocks of the open log, as they were found. */
export function useAside(): Record<string, string> {
  const dispatch = useAppDispatch();
  const status = useAppSelector((state) => state.session.status);
  const [blocks, setBlocks] = useState<Record<string, string>>({});
  useEffect(() => {
    if (status !== 'ready') return;
    let current = true;
    void dispatch(loadAside()).then((found) => {
      if (current) setBlocks(found);
    });
    return () => {
      current = false;
    };
  }, [dispatch, status]);
  return blocks;
}
