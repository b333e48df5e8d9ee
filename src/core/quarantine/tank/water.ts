import { USUAL_WATER } from '../../seawater/usual';
import { countedReadings, type TankHistory } from '../../history/tankHistory';
import { waterNow } from '../../history/waterNow';
import { PROTEIN_TO_N } from '../../livestock/food/bioload';
import { fedNitrogen } from '../../livestock/food/feeding';
import { cohortNitrogen, type Finder } from '../../livestock/roster/lodgers';
import { isHere, rosterOf } from '../../livestock/roster/roster';
import { fromCanonical, toCanonical } from '../../parameters/convert';
import type { Unit } from '../../units/units';
import type { Kit } from '../../records/schema/kit';
import type { Batch } from '../../records/schema/batch';
import { DAY_MS } from '../../time/zone';
import { highestStepUnder, holdAmmonia, mostNitrogen, type HoldPlan } from '../clock/hold';

export interface AmmoniaPlan extends HoldPlan {
  /** What gathers, mg N a day. */
  nitrogen: number;
  /** What of it a seeded sponge is taken to carry, mg N a day: the least it may. */
  carried: number;
  /** What that goes by. */
  by: 'tests' | 'food' | 'bodies';
  /** Share of eaten protein that is taken to end as ammonia nitrogen. */
  share: number;
  /** The water it is worked out for; what of it was not tested. */
  water: { ph: number; temperature: number; salinity: number };
  assumed: ('ph' | 'temperature' | 'salinity')[];
  /** The highest step of the keeper's own kit at which no change is needed yet, and its unit. */
  step: { value: number; unit: Unit; kit: string } | null;
  /** The most food that could be held at all, as a share of what is given now. */
  mostShare: number;
}

/** The water as it was measured of late; new water is at 8.1 or above, and the fraction goes by the higher. */
function waterOf(history: TankHistory, at: number) {
  const { assumed, ...water } = waterNow(history, at);
  return { water: { ...water, ph: Math.max(water.ph, USUAL_WATER.ph) }, assumed };
}

/** A rise between two tests without a change between them is not told below this apart, days. */
const LEAST_APART = 0.4;

/** What gathers by the newest two tests with no change between them, mg N a day; null without such. */
function gathered(history: TankHistory, at: number): number | null {
  const [before, last] = countedReadings(history, 'ammonia').slice(-2);
  if (!before || !last || at - last.at > 5 * DAY_MS) return null;
  const days = (last.at - before.at) / DAY_MS;
  const changed = history.entries.waterChange.some(
    (change) => change.at >= before.at && change.at <= last.at,
  );
  if (changed || days < LEAST_APART || last.best <= before.best) return null;
  return ((last.best - before.best) * history.netLitres) / days;
}

/**
 * How to hold ammonia in a tank without filter bacteria: by tests where two of them tell, else by the food
 * that was logged, else by bodies and a usual ration. The higher of tests and food is taken; of what is
 * reckoned, a seeded sponge carries the least that it may.
 * @param carries of a sponge that works there, mg N a day
 */
export function ammoniaPlan(
  history: TankHistory,
  { leftoversOut }: Pick<Batch, 'leftoversOut'>,
  find: Finder,
  at: number,
  kits: readonly Kit[] = [],
  carries = 0,
): AmmoniaPlan {
  const share = leftoversOut ? PROTEIN_TO_N.low : PROTEIN_TO_N.high;
  const scale = share / PROTEIN_TO_N.usual;
  const fed = fedNitrogen(history, at);
  const bodies = rosterOf(history)
    .filter(isHere)
    .reduce((sum, cohort) => sum + cohortNitrogen(cohort, at, find), 0);
  const reckoned = (fed ?? bodies) * scale;
  const tested = gathered(history, at);
  const carried = Math.min(reckoned, carries);
  // What two tests show to gather is what the sponge left over.
  const nitrogen = Math.max(reckoned - carried, tested ?? 0);
  const { water, assumed } = waterOf(history, at);
  const tank = { litres: history.netLitres, ...water };
  const plan = holdAmmonia({ nitrogen, ...tank });
  const kit = kits.find(
    ({ parameter, scale: of }) => parameter === 'ammonia' && of.form === 'card',
  );
  const steps = kit?.scale.form === 'card' ? kit.scale.steps : [];
  const best = kit
    ? highestStepUnder(
        steps.map((step) => toCanonical(step, kit.unit)),
        plan.mostTotal,
      )
    : null;
  return {
    ...plan,
    nitrogen,
    carried,
    by:
      tested !== null && tested >= reckoned - carried ? 'tests' : fed !== null ? 'food' : 'bodies',
    share,
    water,
    assumed,
    step:
      kit && best !== null
        ? { value: fromCanonical(best, kit.unit), unit: kit.unit, kit: kit.name }
        : null,
    mostShare: nitrogen > 0 ? mostNitrogen(tank) / nitrogen : Infinity,
  };
}
