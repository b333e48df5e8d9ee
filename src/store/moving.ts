import { tankHistory } from '../core/history/derive';
import { finderWith, lengthNow } from '../core/livestock/lodgers';
import { moveEntries, type Move, type Place } from '../core/livestock/moving';
import { isHere, rosterOf } from '../core/livestock/roster';
import type { Entry } from '../core/records/kinds';
import type { RevisionOf } from '../core/records/schema/revision';
import { isoInZone } from '../core/time/zone';
import { fulfilWishes } from './fulfil';
import type { ActWriter } from './record';

/** Logs animals that came in, and takes off the wish list those that were wished for. */
export function bringIn(act: ActWriter, entry: Entry): void {
  act.create('entry', entry);
  fulfilWishes(act, entry.tankId, entry);
}

/** Moves a lot from one tank to another. */
export function moveLot(act: ActWriter, move: Move): void {
  for (const entry of moveEntries(move)) bringIn(act, entry);
}

/** Moves all that is left of a batch to a tank, which ends it. */
export function releaseBatch(act: ActWriter, batch: RevisionOf<'batch'>, to: Place): void {
  const { log, now } = act;
  const find = finderWith(log.species.map(({ body }) => body));
  const { tankId, animals } = batch.body;
  const history = tankHistory(log, tankId, now);
  const { zone } = history.tank;
  const lots = new Set(animals.flatMap(({ lot }) => lot ?? []));
  for (const lot of rosterOf(history).filter(isHere)) {
    if (lots.size > 0 && !lots.has(lot.id)) continue;
    moveLot(act, { lot, from: { tankId, zone }, to, at: now, cm: lengthNow(lot, now, find) });
  }
  act.revise(batch, { ...batch.body, endedAt: isoInZone(now, zone) });
}
