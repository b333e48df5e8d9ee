import type { TankHistory } from '../history/tankHistory';
import type { Log } from '../records/log';
import type { Ask } from '../tasks/types';
import { choreAsks } from './choreAsks';
import { phaseOf } from './chores';
import { instrumentAsks, signAsks } from './signAsks';

/**
 * What the daily life of tanks asks for next: chores, and what instruments and figures show. What
 * belongs to all tanks alike is asked for once, at the first that stands.
 * @param histories of tanks, the first of them first
 * @param at now, ms
 * @param ahead days over which the times that follow the next are wanted too
 * @returns by tank
 */
export function maintenanceAsks(
  log: Pick<Log, 'kits' | 'calibrations' | 'chores' | 'absences' | 'runs'>,
  histories: readonly TankHistory[],
  at: number,
  ahead = 0,
): Record<string, Ask[]> {
  const first = histories.find((history) => {
    const phase = phaseOf(history);
    return phase !== null && phase !== 'idle';
  });
  return Object.fromEntries(
    histories.map((history) => [
      history.tankId,
      [
        ...choreAsks(history, log, at, ahead),
        ...(phaseOf(history) === null ? [] : signAsks(history, log.runs, at)),
        ...(history === first ? instrumentAsks(log, histories, history.tank.zone, at) : []),
      ],
    ]),
  );
}
