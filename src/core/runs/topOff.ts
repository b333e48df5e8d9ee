import type { Run } from '../records/schema/run';

/** Whether an acclimation ended with the top-off unit off. */
export function topOffLeftOff({ procedure, ended, steps }: Run): boolean {
  return (
    procedure === 'acclimate' &&
    ended !== null &&
    steps.topOff !== undefined &&
    steps.topOn === undefined
  );
}
