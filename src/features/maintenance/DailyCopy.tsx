import { useEffect } from 'react';
import { dayOf } from '@/core/time/zone';
import { listCopies, takeCopy } from '@/store/copies';
import { useAppDispatch, useAppSelector, useAppStore } from '@/store/hooks';
import { selectNow, selectSession, selectZone } from '@/store/selectors';

/** After the app was opened, so long nothing is copied: whoever opens it wants to see it first. */
const QUIET_MS = 20_000;

/** Makes the copy of the day, once, when nothing else goes on. */
export function DailyCopy() {
  const dispatch = useAppDispatch();
  const store = useAppStore();
  const { which } = useAppSelector(selectSession);
  const day = useAppSelector((state) => dayOf(selectNow(state), selectZone(state)));
  useEffect(() => {
    if (which !== 'own') return;
    const timer = setTimeout(async () => {
      const found = await dispatch(listCopies());
      const [newest] = found.ok ? found.copies : [];
      const zone = selectZone(store.getState());
      if (!found.ok || store.getState().log.size === 0) return;
      if (newest && dayOf(newest.at, zone) === day) return;
      await dispatch(takeCopy());
    }, QUIET_MS);
    return () => clearTimeout(timer);
  }, [dispatch, store, which, day]);
  return null;
}
