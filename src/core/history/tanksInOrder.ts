import { entriesOfTank, type Log } from '../records/log';
import type { RevisionOf } from '../records/schema/revision';
import { instant } from '../time/zone';

const KIND_ORDER = ['display', 'other', 'quarantine'];

/** When a tank was last said to be filled; 0 for one that is empty. */
function filledAt(log: Log, tankId: string): number {
  const head = entriesOfTank(log, tankId).findLast(({ body }) => body.kind === 'filled');
  return head ? instant(head.body.at) : 0;
}

/** Whether the last that was said of a tank's standing is that it was taken down. */
export function isClosed(log: Log, tankId: string): boolean {
  const said = entriesOfTank(log, tankId).findLast(
    ({ body }) => body.kind === 'closed' || body.kind === 'filled' || body.kind === 'running',
  );
  return said?.body.kind === 'closed';
}

/**
 * Displays first; of two the younger, since the one in its cycle is the one that is looked at. What was
 * taken down comes last.
 */
export function tanksInOrder(log: Log): RevisionOf<'tank'>[] {
  const filled = new Map(log.tanks.map((tank) => [tank.id, filledAt(log, tank.id)]));
  const closed = new Map(log.tanks.map((tank) => [tank.id, isClosed(log, tank.id) ? 1 : 0]));
  return [...log.tanks].sort(
    (a, b) =>
      (closed.get(a.id) ?? 0) - (closed.get(b.id) ?? 0) ||
      KIND_ORDER.indexOf(a.body.kind) - KIND_ORDER.indexOf(b.body.kind) ||
      (filled.get(b.id) ?? 0) - (filled.get(a.id) ?? 0) ||
      a.body.name.localeCompare(b.body.name),
  );
}
