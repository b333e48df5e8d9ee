import { tankHistory } from '../../history/derive';
import type { Reading } from '../../history/reading';
import { tanksInOrder } from '../../history/tanksInOrder';
import { PARAMETER_IDS } from '../../parameters/registry';
import type { ReadingEntry } from '../../records/kinds/reading';
import { namesOfTanks } from '../context';
import { entriesOfTank, type Log } from '../../records/log';
import type { Kit } from '../../records/schema/kit';
import type { RevisionOf } from '../../records/schema/revision';

/** A test with the tank, the kit and what its history makes of it. */
export interface TankReading {
  /** The name of its tank. */
  tank: string;
  head: RevisionOf<'entry'> & { body: ReadingEntry };
  kit: Kit | undefined;
  reading: Reading | undefined;
}

const isReading = (head: RevisionOf<'entry'>): head is TankReading['head'] =>
  head.body.kind === 'reading';

/** Every test of every tank, tank by tank in order of time. */
export function deriveReadings(log: Log): TankReading[] {
  const names = namesOfTanks(log);
  return tanksInOrder(log).flatMap(({ id }) => {
    const history = tankHistory(log, id);
    const derived = new Map(
      PARAMETER_IDS.flatMap((parameter) => history.readings[parameter]).map((one) => [one.id, one]),
    );
    return entriesOfTank(log, id)
      .filter(isReading)
      .map((head) => ({
        tank: names.get(id) ?? '',
        head,
        kit: log.everyKit[head.body.kitId],
        reading: derived.get(head.id),
      }));
  });
}
