import type { Method } from '@/core/acclimation/method';
import { acclimationPlan, type AcclimationPlan } from '@/core/acclimation/plan';
import { impossible, type Arrival, type Water } from '@/core/acclimation/waters';
import { tankHistory } from '@/core/history/derive';
import { latestReading } from '@/core/history/tankHistory';
import type { Log } from '@/core/records/log';
import type { RevisionOf } from '@/core/records/schema/revision';

/** One tank that a delivery goes to, and the way in to it. */
export interface Leg {
  tank: RevisionOf<'tank'>;
  arrival: Arrival;
  plan: AcclimationPlan;
  /** How many go there; null for all of them. */
  count: number | null;
  /** Its water lies too far from the bag: nothing goes straight in. */
  barred: boolean;
}

/** What a tank measured last, as far as it was. */
export function waterOf(log: Log, tankId: string, at: number): Partial<Water> {
  const history = tankHistory(log, tankId, at);
  const water: Partial<Water> = {};
  for (const parameter of ['salinity', 'temperature', 'ph'] as const) {
    const last = latestReading(history, parameter);
    if (last) water[parameter] = last.best;
  }
  return water;
}

function legOf(
  tank: RevisionOf<'tank'>,
  arrival: Arrival,
  count: number | null,
  chosen?: Method,
): Leg {
  const plan = acclimationPlan(arrival, chosen);
  const barred = plan.method === 'matchQuarantine' && tank.body.kind !== 'quarantine';
  return { tank, arrival, plan, count, barred };
}

/**
 * Every tank that a delivery goes to: the first by the water that was typed, the others each by what
 * was measured there last, or like the first where nothing was that can be.
 */
export function legsOf(
  log: Log,
  at: number,
  arrival: Arrival,
  first: { tank: RevisionOf<'tank'>; count: number | null; chosen?: Method },
  others: readonly { tank: RevisionOf<'tank'>; count: number }[],
): Leg[] {
  return [
    legOf(first.tank, arrival, first.count, first.chosen),
    ...others
      .filter(({ count }) => count > 0)
      .map(({ tank, count }) => {
        const own = { ...arrival, tank: { ...arrival.tank, ...waterOf(log, tank.id, at) } };
        return legOf(tank, impossible(own).length > 0 ? arrival : own, count);
      }),
  ];
}
