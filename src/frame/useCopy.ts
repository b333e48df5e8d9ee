import * as z from 'zod';
import { copySchema, copyState, LATER_DAYS, type CopyState } from '@/core/copies/sinceCopy';
import { DAY_MS } from '@/core/time/zone';
import { useAppSelector, useDraft } from '@/store/hooks';
import { selectNow, selectSession } from '@/store/selectors';
import { wallClock } from '@/store/wallClock';

const laterSchema = z.number();

/** What of the log is in no copy outside this browser, and what tells that one was made, or puts it off. */
export function useCopy(): CopyState & { made: () => void; later: () => void } {
  const size = useAppSelector((state) => state.log.size);
  const { which } = useAppSelector(selectSession);
  const now = useAppSelector(selectNow);
  const [copy, setCopy] = useDraft('data/copy', copySchema.nullable(), null);
  const [later, setLater] = useDraft('data/copyLater', laterSchema, 0);
  const state = copyState(size, copy, now);
  return {
    ...state,
    // A demo is made anew whenever one likes.
    due: state.due && which === 'own' && now >= later,
    made: () => setCopy({ at: wallClock(), size }),
    later: () => setLater(wallClock() + LATER_DAYS * DAY_MS),
  };
}
