import { useEffect } from 'react';
import { dayOf } from '@/core/time/zone';
import { listCopies, takeCopy } from '@/store/copies';
import { useFolderChosen } from '@/frame/useFolderChosen';
import { useAppDispatch, useAppSelector, useAppStore } from '@/store/hooks';
import { selectNow, selectSession, selectZone } from '@/store/selectors';
import { DailyFolder } from './DailyFolder';

/** What is kept of the log by itself: the copy of the day within this browser, and the folder of the keeper's. */
export function KeptCopies() {
  const { which } = useAppSelector(selectSession);
  const [chosen] = useFolderChosen();
  if (which !== 'own') return null;
  return (
    <>
      <DailyCopy />
      {chosen ? <DailyFolder /> : null}
    </>
  );
}

/** Makes the copy of the day, once. */
function DailyCopy() {
  const dispatch = useAppDispatch();
  const store = useAppStore();
  const day = useAppSelector((state) => dayOf(selectNow(state), selectZone(state)));
  useEffect(() => {
    void (async () => {
      const found = await dispatch(listCopies());
      const [newest] = found.ok ? found.copies : [];
      const zone = selectZone(store.getState());
      if (!found.ok || store.getState().log.size === 0) return;
      if (newest && dayOf(newest.at, zone) === day) return;
      await dispatch(takeCopy());
    })();
  }, [dispatch, store, day]);
  return null;
}
