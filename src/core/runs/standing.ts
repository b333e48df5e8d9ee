import type { TankHistory } from '../history/tankHistory';
import type { Run } from '../records/schema/run';
import type { Procedure } from './procedure';
import { isProcedure, PROCEDURES } from './procedures';
import { standingIn, type RunStanding } from './standingIn';

export type { RunStanding } from './standingIn';

/** The procedure of a run; null for one that only a later version knows. */
export function procedureOf(run: Run): Procedure | null {
  return isProcedure(run.procedure) ? PROCEDURES[run.procedure] : null;
}

/** Where a run stands; null for one of a procedure that only a later version knows. */
export function standingOfRun(
  run: Run,
  now: number,
  tank: TankHistory | null = null,
): RunStanding | null {
  const procedure = procedureOf(run);
  return procedure ? standingIn(procedure, run, now, tank) : null;
}
