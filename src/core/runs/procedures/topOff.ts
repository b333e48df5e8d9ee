import type { Run } from '../../records/schema/run';

/** What takes water out of a tank, with its top-off unit off meanwhile. */
const DRAWS = ['acclimate', 'waterChange'];

/** Whether something that drew water ended with the top-off unit off. */
export function topOffLeftOff({ procedure, ended, steps }: Run): boolean {
  return (
    DRAWS.includes(procedure) &&
    ended !== null &&
    steps.topOff !== undefined &&
    steps.topOn === undefined
  );
}
