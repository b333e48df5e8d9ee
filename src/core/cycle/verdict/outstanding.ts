import type { TankHistory } from '../../history/tankHistory';
import { shortDay } from '../../time/words';
import { DAY_MS } from '../../time/zone';
import { hasAnimals, NO_AMMONIA } from '../doseAdvice';
import { accounted } from './criteria/accounted';
import { boundUntil } from './evidence';
import { ROT_DAYS, stillRotting } from './criteria/fed';
import { stillShown } from './harm';

/**
 * Why no ammonia may be dosed, whatever the tests read: an animal is in, something put in is still rotting,
 * or what went in is missing and nobody knows whether it stands as nitrite. Null where nothing of it is so.
 * What tests read of ammonia and nitrite is asked where the dose is worked out.
 */
export function noDoseBecause(history: TankHistory, at: number): string | null {
  if (hasAnimals(history)) return NO_AMMONIA;
  const { zone, doneRule: choice } = history.tank;
  const rots = stillRotting(history, at);
  if (rots) {
    return `No ammonia now: the ${rots.what} of ${shortDay(rots.at, zone)} is still rotting and makes its own.`;
  }
  const held = boundUntil(history, at);
  if (held !== null) {
    return `No ammonia now: a binder may hold it until ${shortDay(held, zone)}, and no test would tell what it cleared.`;
  }
  // It counts as nothing that fed the filter bacteria, since it may be alive, but nothing is added to it.
  const missing = history.entries.animals.findLast(
    (one) => one.entry.move === 'missing' && at - one.at <= ROT_DAYS * DAY_MS,
  );
  if (missing) {
    return `No ammonia now: ${missing.entry.what}, missing since ${shortDay(missing.at, zone)}, may be rotting. Look for it, and test ammonia daily.`;
  }
  const found = accounted({ history: stillShown(history).history, at, zone, choice });
  return found.state === 'met' ? null : `No ammonia now. ${found.because}`;
}
