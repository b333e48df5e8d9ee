import type { Absence } from '../../records/schema/absence';
import { dayAfter, daysApart } from '../days';
import type { WhenAway } from '../usual';

/** Where one time of a chore goes while its keeper is away. */
export interface Moved {
  day: string;
  how: 'stays' | WhenAway;
}

/**
 * The day on which something is done that falls due while its keeper is away: by who minds the tank on
 * its own day, on the day before the journey, or on the day after it. It is brought forward only where
 * the last time lies a third of its gap back by then, so that nothing is done twice on end.
 * @param due YYYY-MM-DD
 * @param lastDone the day it was last done
 * @param gap days between two times
 */
export function whileAway(
  due: string,
  lastDone: string | null,
  gap: number,
  away: WhenAway,
  absences: readonly Pick<Absence, 'from' | 'until' | 'minder'>[],
): Moved {
  const absence = absences.find(({ from, until }) => due >= from && due <= until);
  if (!absence) return { day: due, how: 'stays' };
  const eve = dayAfter(absence.from, -1);
  const back = dayAfter(absence.until, 1);
  if (away === 'minder')
    return absence.minder ? { day: due, how: 'minder' } : { day: back, how: 'after' };
  const fresh = lastDone !== null && daysApart(lastDone, eve) < Math.max(1, gap / 3);
  return away === 'before' && !fresh ? { day: eve, how: 'before' } : { day: back, how: 'after' };
}
