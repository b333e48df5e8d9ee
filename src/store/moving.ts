import { tankHistory } from '../core/history/derive';
import { finderWith, lengthNow } from '../core/livestock/roster/lodgers';
import { moveEntries, type Move, type Place } from '../core/livestock/roster/moving';
import { isHere, rosterOf } from '../core/livestock/roster/roster';
import type { Entry } from '../core/records/kinds';
import type { RevisionOf } from '../core/records/schema/revision';
import { isoInZone } from '../core/time/zone';
import { fulfilWishes } from './fulfil';
import type { ActWriter } from '../core/acts/writer';

/**
 * Logs animals that came in, takes off the wish list those that were wished for, and puts a coral on
 * the place that was meant for it, from which its steps to the light are dated.
 * @param taken places that others of the same act were put on
 */
export function bringIn(act: ActWriter, entry: Entry, taken = new Set<string>()): void {
  const cohort = act.create('entry', entry);
  fulfilWishes(act, entry.tankId, entry);
  if (entry.kind !== 'animals' || entry.group !== 'coral') return;
  const meant = act.log.positions.find(
    ({ id, body }) =>
      body.tankId === entry.tankId &&
      body.species === entry.species &&
      body.cohort === undefined &&
      !taken.has(id),
  );
  if (!meant) return;
  taken.add(meant.id);
  act.revise(meant, { ...meant.body, cohort });
}

/** Moves a group from one tank to another. */
export function moveCohort(act: ActWriter, move: Move, taken?: Set<string>): void {
  for (const entry of moveEntries(move)) bringIn(act, entry, taken);
}

/** Moves all that is left of a batch to a tank, which ends it. */
export function releaseBatch(act: ActWriter, batch: RevisionOf<'batch'>, to: Place): void {
  const { log, now } = act;
  const find = finderWith(log.species.map(({ body }) => body));
  const { tankId, animals } = batch.body;
  const history = tankHistory(log, tankId, now);
  const { zone } = history.tank;
  const taken = new Set<string>();
  const cohorts = new Set(animals.flatMap(({ cohort }) => cohort ?? []));
  for (const cohort of rosterOf(history).filter(isHere)) {
    if (cohorts.size > 0 && !cohorts.has(cohort.id)) continue;
    const cm = lengthNow(cohort, now, find);
    moveCohort(act, { cohort, from: { tankId, zone }, to, at: now, cm }, taken);
  }
  act.revise(batch, { ...batch.body, endedAt: isoInZone(now, zone) });
}
