import { hashText } from '../core/math/hash';
import { latestReading, type TankHistory } from '../core/history/tankHistory';
import type { Seeding } from '../core/records/schema/tank';
import { MEQ_PER_DKH } from '../core/units/constants';
import { computed, jobBegun, jobFailed } from './computedSlice';
import type { AppThunk } from './state';
import { selectHistoryOf } from './world';

/** The water that methods are compared in: as it was measured, or what most tanks are kept at. */
function waterOf(history: TankHistory) {
  const value = (parameter: 'temperature' | 'ph' | 'salinity' | 'alkalinity', otherwise: number) =>
    latestReading(history, parameter)?.best ?? otherwise;
  return {
    temperature: value('temperature', 25.5),
    ph: value('ph', 8.1),
    salinity: value('salinity', 35),
    alkalinity: value('alkalinity', 8 * MEQ_PER_DKH) / MEQ_PER_DKH,
  };
}

/** Plays every source of ammonia with one way of seeding in a tank, away from the screen. */
export function compareMethods(tankId: string, seeding: Seeding): AppThunk<Promise<void>> {
  return async (dispatch, getState, { services }) => {
    const history = selectHistoryOf(getState(), tankId);
    if (!history) return;
    const { tank, netLitres } = history;
    const input = { tank, netLitres, water: waterOf(history), seeding };
    const asked = hashText(JSON.stringify(input));
    const name = 'methods';
    const key = `${tankId}/${seeding}`;
    if (getState().computed.methods[key]?.asked === asked) return;
    dispatch(jobBegun({ name, key, asked }));
    try {
      const value = await services.jobs.run(name, input, { lane: name, hash: asked });
      if (value) dispatch(computed({ name, key, asked, value }));
      else dispatch(jobFailed({ name, key }));
    } catch {
      dispatch(jobFailed({ name, key }));
    }
  };
}
