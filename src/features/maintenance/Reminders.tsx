import { useEffect, useRef } from 'react';
import * as z from 'zod';
import { reminderOf } from '@/core/maintenance/calendar/reminder';
import { dayOf, instant } from '@/core/time/zone';
import { mayNotify, notify } from '@/frame/notify';
import { draftChanged } from '@/store/draftsSlice';
import { useAppDispatch, useAppSelector, useDraft } from '@/store/hooks';
import { selectLiveRuns } from '@/store/runs';
import { selectNow, selectSettings, selectZone } from '@/store/selectors';
import { USUAL_HOUR } from './CalendarPart';
import { useTanksWithTasks } from './useMaintenance';

/** The draft that remembers on which day this browser reminded last. */
const REMINDED = 'reminded';

/** Reminds of what is due once a day at the keeper's hour, and of clocks that end, where the browser may. */
export function Reminders() {
  const dispatch = useAppDispatch();
  const now = useAppSelector(selectNow);
  const zone = useAppSelector(selectZone);
  const { remindHour = USUAL_HOUR } = useAppSelector(selectSettings);
  const runs = useAppSelector(selectLiveRuns);
  const tanks = useTanksWithTasks();
  const [reminded] = useDraft(REMINDED, z.string(), '');
  const before = useRef(now);
  useEffect(() => {
    if (mayNotify() !== 'granted') return;
    const since = before.current;
    before.current = now;
    for (const { id, body } of runs) {
      for (const [clock, ends] of Object.entries(body.clocks)) {
        const at = instant(ends);
        if (at > since && at <= now)
          void notify('The time is up', 'A clock of a run has ended.', `${id}/${clock}`);
      }
    }
    const today = dayOf(now, zone);
    const words = reminded === today ? null : reminderOf(tanks, now, zone, remindHour);
    if (words === null) return;
    dispatch(draftChanged({ name: REMINDED, value: today }));
    void notify(words.title, words.text, 'due');
  }, [now, zone, remindHour, runs, tanks, reminded, dispatch]);
  return null;
}
