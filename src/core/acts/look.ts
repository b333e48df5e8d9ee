import type { TankHistory } from '../history/tankHistory';
import { lookOn } from '../quarantine/who';
import type { LookEntry } from '../records/kinds/look';
import { liveHead } from '../records/log';
import { isoInZone } from '../time/zone';
import type { ActWriter } from './writer';

/** What somebody saw of a lot, at a moment in ms. */
export interface Looked extends Pick<LookEntry, 'lot' | 'what' | 'state' | 'signs' | 'breaths'> {
  at: number;
}

/**
 * Writes a look of the day at a lot of a tank. A lot has one answer a day: a second look of that day corrects
 * the first.
 */
export function writeLook(
  act: ActWriter,
  history: Pick<TankHistory, 'tankId' | 'tank' | 'entries'>,
  { at, ...seen }: Looked,
): void {
  const known = lookOn(history, seen.lot, at);
  const head = known ? liveHead(act.log, known.id, 'entry') : null;
  if (head?.body.kind === 'look') {
    act.revise(head, { ...head.body, ...seen });
  } else {
    const when = isoInZone(at, history.tank.zone);
    act.create('entry', { kind: 'look', tankId: history.tankId, at: when, ...seen });
  }
}
