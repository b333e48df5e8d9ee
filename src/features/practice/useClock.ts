import { useMemo } from 'react';
import { nextSight } from '@/core/practice/look';
import { addDaysIn, atTimeOn, dayOf, daysBetween, DAY_MS, HOUR_MS } from '@/core/time/zone';
import { momentWords } from '@/core/time/words';
import { useAppDispatch, useAppSelector, useAppStore } from '@/store/hooks';
import { moveClock, selectPlayed, selectRun } from '@/store/practice';
import { selectNow, selectTankId, selectZone } from '@/store/selectors';
import { noticed } from '@/store/sessionSlice';
import { selectTasksOf } from '@/store/world';

/** A way to move the clock on. */
export interface Move {
  id: string;
  label: string;
  note: string;
  to: () => number | null;
}

const EVENING = 19;
const MORNING = 8;

/** The day of the practice tank's life. */
export function usePracticeDay(): number {
  const played = useAppSelector(selectPlayed);
  const now = useAppSelector(selectNow);
  if (!played) return 0;
  return daysBetween(played.start.filledAt, now, played.header.zone);
}

/** Every way to move the practice clock on from where it stands. */
export function useMoves(): { moves: Move[]; move: (move: Move) => Promise<void> } {
  const dispatch = useAppDispatch();
  const store = useAppStore();
  const now = useAppSelector(selectNow);
  const zone = useAppSelector(selectZone);
  const tankId = useAppSelector(selectTankId);
  const run = useAppSelector(selectRun);
  const tasks = useAppSelector((state) => selectTasksOf(state, tankId));
  const moves = useMemo(() => {
    const at = (moment: number) => momentWords(moment, zone, now);
    const today = dayOf(now, zone);
    const evening = atTimeOn(today, EVENING, 0, zone);
    const tomorrow = atTimeOn(dayOf(addDaysIn(now, 1, zone), zone), MORNING, 0, zone);
    const due = tasks
      .map((task) => ({ task, at: task.at ?? atTimeOn(dayOf(task.dueOn, zone), MORNING, 0, zone) }))
      .filter((each) => each.at > now)
      .sort((a, b) => a.at - b.at)[0];
    const list: Move[] = [];
    const put = (id: string, label: string, to: number, note = at(to)) =>
      list.push({ id, label, note, to: () => to });
    if (due)
      put(
        'due',
        'To the next thing to do',
        due.at,
        `${at(due.at)}: ${due.task.title.charAt(0).toLowerCase() + due.task.title.slice(1)}`,
      );
    list.push({
      id: 'sight',
      label: 'Until there is something to see',
      note: 'Growth, haze, an animal that breathes fast',
      to: () => {
        const played = selectPlayed(store.getState());
        return played ? nextSight(played.start, played.deeds, now) : null;
      },
    });
    put('hour', 'An hour on', now + HOUR_MS);
    if (evening > now) put('evening', 'To this evening', evening);
    put('tomorrow', 'To tomorrow morning', tomorrow);
    put('days', 'Three days on', now + 3 * DAY_MS);
    put('week', 'A week on', now + 7 * DAY_MS);
    return list;
  }, [now, zone, tasks, store]);
  const move = async ({ to }: Move) => {
    const target = to();
    if (target === null || !run) {
      const text =
        'Nothing changes to the eye within three weeks: the clock was left where it stands';
      dispatch(noticed({ text, undo: null }));
      return;
    }
    const stands = await dispatch(moveClock(target));
    if (stands < target) {
      const text = 'A practice lasts 400 days: the clock stands at its end';
      dispatch(noticed({ text, undo: null }));
    }
  };
  return { moves, move };
}
