import { fulfilledBy } from '../core/livestock/roster/fulfilled';
import type { EntryBody } from '../core/records/kinds';
import type { ActWriter } from '../core/acts/writer';

/** Takes off the wish list, in the same act, what an entry of a tank brings in. */
export function fulfilWishes(act: ActWriter, tankId: string, entry: EntryBody): void {
  for (const { wish, left, also } of fulfilledBy(act.log.wishes, tankId, entry)) {
    if (also) act.create('wish', also);
    if (left) act.revise(wish, left);
    else act.remove(wish);
  }
}
