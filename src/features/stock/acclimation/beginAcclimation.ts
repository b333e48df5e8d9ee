import { givenOf, type Newcomer } from '@/core/acclimation/run';
import { recordAct } from '@/store/record';
import { createRun, newRun } from '@/store/runs';
import type { AppThunk } from '@/store/state';
import type { Leg } from './legs';

/** Begins a run for each tank of a delivery, as one act; gives the first of them. */
export function beginAcclimation(
  legs: readonly Leg[],
  newcomers: readonly Newcomer[],
  extra: { batch?: string; dipMinutes?: number; pods?: boolean },
): AppThunk<Promise<string | null>> {
  return async (dispatch) => {
    const runs: string[] = [];
    await dispatch(
      recordAct((act) => {
        runs.length = 0;
        const at = new Date(act.now).toISOString();
        for (const { tank, arrival, plan, count } of legs) {
          if (count === 0) continue;
          const who = newcomers.map((one) => (count === null ? one : { ...one, count }));
          const given = givenOf(arrival, plan, { newcomers: who, ...extra });
          runs.push(createRun(act, newRun('acclimate', tank.id, at, given), JSON.stringify(who)));
        }
      }),
    );
    return runs[0] ?? null;
  };
}
