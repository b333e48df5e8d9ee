import type { TankHistory } from '../history/tankHistory';
import { upkeepOf } from './load';

/**
 * What one more tank would take in a usual week, once it runs: by the usual chores of a tank of its
 * size. A history of any tank lends its zone; nothing of it is used beyond that.
 * @param litres net volume
 * @param sump whether it has one
 */
export function upkeepOfNew(
  like: TankHistory,
  litres: number,
  sump: boolean,
): { minutes: number; litres: number } {
  const volume = {
    ...like.tank.volume,
    sump: sump ? { by: 'litres' as const, litres: litres * 0.2 } : null,
  };
  const standing = {
    ...like.standing,
    closedAt: null,
    runningSince: like.start ?? 0,
    animalsSince: like.start ?? 0,
  };
  const tank = { ...like.tank, kind: 'display' as const, volume };
  const history = {
    ...like,
    tankId: 'new',
    tank,
    netLitres: litres,
    start: like.start ?? 0,
    standing,
  };
  return upkeepOf(history, { chores: [] });
}
