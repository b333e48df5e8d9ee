import { useMemo } from 'react';
import { actTeller, type ActTeller } from '@/core/review/actWords';
import { useAppSelector, useAppStore } from '@/store/hooks';
import { selectLog } from '@/store/selectors';
import { selectHistoryOf } from '@/store/world';

/** What an act did, in words, with the figures of the tanks that it was about. */
export function useActWords(): ActTeller {
  const store = useAppStore();
  const log = useAppSelector(selectLog);
  return useMemo(
    () => actTeller(log, (tankId) => selectHistoryOf(store.getState(), tankId)),
    [log, store],
  );
}
