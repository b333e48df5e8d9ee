import { tankHistory } from '../history/derive';
import { tanksInOrder } from '../history/tanksInOrder';
import type { Log } from '../records/log';
import type { DayOrder } from '../time/typedDay';
import { dayOf } from '../time/zone';
import type { SheetContext } from './read/found';

/** Tanks by what a sheet calls them: by name, and of several of one name the later ones with their number. */
export function namesOfTanks(log: Log): Map<string, string> {
  const seen = new Map<string, number>();
  const names = new Map<string, string>();
  for (const { id, body } of tanksInOrder(log)) {
    const key = body.name.trim().toLowerCase();
    const nth = (seen.get(key) ?? 0) + 1;
    seen.set(key, nth);
    names.set(id, nth === 1 ? body.name : `${body.name} (${nth})`);
  }
  return names;
}

/**
 * What a log lends to the reading of a sheet.
 * @param tankId the tank of rows that name none
 * @param usualOrder the order in which the keeper writes days
 */
export function sheetContext(
  log: Log,
  tankId: string,
  now: number,
  usualOrder: DayOrder,
): SheetContext & { usualOrder: DayOrder } {
  const names = namesOfTanks(log);
  const tanks = tanksInOrder(log).map(({ id, body }) => {
    const { filledAt } = tankHistory(log, id).standing;
    return {
      id,
      name: names.get(id) ?? body.name,
      zone: body.zone,
      filledOn: filledAt === null ? null : dayOf(filledAt, body.zone),
    };
  });
  const zone = tanks.find(({ id }) => id === tankId)?.zone ?? 'UTC';
  return {
    now,
    today: dayOf(now, zone),
    tanks,
    tankId,
    // What is in use first; then what was put away, which readings of a year ago were made with.
    kits: [...log.kits]
      .sort((a, b) => Number(b.body.inUse) - Number(a.body.inUse) || a.body.order - b.body.order)
      .map(({ id, body }) => ({ id, kit: body, fresh: false })),
    usualOrder,
  };
}
