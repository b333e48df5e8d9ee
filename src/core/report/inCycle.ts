import type { TankHistory } from '../history/tankHistory';

/** Whether a tank is followed through its cycle: filled, not said to run already, and no quarantine. */
export function isInCycle({ standing, tank, start }: TankHistory): boolean {
  return standing.runningSince === null && tank.kind !== 'quarantine' && start !== null;
}
