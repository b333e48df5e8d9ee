import type { TankHistory } from '../history/tankHistory';
import { dailyCheckOn } from '../quarantine/who';
import type { DailyCheckEntry } from '../records/kinds/dailyCheck';
import { liveHead } from '../records/log';
import { isoInZone } from '../time/zone';
import type { ActWriter } from './writer';

/** What somebody saw of a group, at a moment in ms. */
export interface Checked extends Pick<
  DailyCheckEntry,
  'cohort' | 'what' | 'state' | 'signs' | 'breaths'
> {
  at: number;
}

/**
 * Writes a look of the day at a lot of a tank. A group has one answer a day: a second look of that day corrects
 * the first.
 */
export function writeDailyCheck(
  act: ActWriter,
  history: Pick<TankHistory, 'tankId' | 'tank' | 'entries'>,
  { at, ...seen }: Checked,
): void {
  const known = dailyCheckOn(history, seen.cohort, at);
  const head = known ? liveHead(act.log, known.id, 'entry') : null;
  if (head?.body.kind === 'dailyCheck') {
    act.revise(head, { ...head.body, ...seen });
  } else {
    const when = isoInZone(at, history.tank.zone);
    act.create('entry', { kind: 'dailyCheck', tankId: history.tankId, at: when, ...seen });
  }
}
