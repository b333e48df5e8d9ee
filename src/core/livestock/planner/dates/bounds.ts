import { DAY_MS, daysUntilDay } from '../../../time/zone';
import { countOf } from '../../../units/format';
import type { CatalogueAnimal } from '../../catalogue';
import type { PlanWish, StockFacts } from '../facts';
import type { Variant } from './span';

const DAYS_PER_MONTH = 30.4;

/** Why a day is not earlier: what binds it, by name. */
export const BINDINGS = [
  'today',
  'ready',
  'maturity',
  'pods',
  'alkalinity',
  'algae',
  'quarantine',
  'order',
  'first',
  'doubling',
  'interval',
  'capacity',
  'pin',
  'override',
] as const;
export type BindingId = (typeof BINDINGS)[number];

/** A day before which an item cannot come in, and why. */
export interface Bound {
  day: number;
  rule: BindingId;
  because: string;
}

function readyDay(facts: StockFacts, today: number, ready: Variant['ready']): number {
  const at = facts.ready[ready];
  if (at === null) return Infinity;
  return Math.max(0, daysUntilDay(today, at, facts.zone));
}

const grazes = (foods: readonly string[]) =>
  foods.some((food) => /algae/.test(food)) &&
  !foods.some((food) => /carrion|leftovers|detritus/.test(food));

/** The day that its batch clears, for one that is in quarantine already. */
export function clearBound(
  { quarantine, clears, restarted }: NonNullable<PlanWish['inQuarantine']>,
  facts: StockFacts,
  today: number,
  ready: Variant['ready'],
): Bound {
  return {
    day: Math.max(0, daysUntilDay(today, clears[ready], facts.zone)),
    rule: 'quarantine',
    because: `Its batch in ${quarantine} is clear that day${restarted === null ? '' : `, begun anew (${restarted})`}`,
  };
}

/** What an animal waits for by itself, whoever else comes. */
export function boundsOf(
  animal: CatalogueAnimal,
  facts: StockFacts,
  today: number,
  ready: Variant['ready'],
): Bound[] {
  const bounds: Bound[] = [{ day: 0, rule: 'today', because: 'Nothing holds it' }];
  const isReady = readyDay(facts, today, ready);
  if (!facts.isReady) {
    bounds.push({
      day: isReady,
      rule: 'ready',
      because:
        animal.group === 'fish'
          ? 'Not before the cycle is done'
          : 'Not before ammonia and nitrite are gone',
    });
  }
  if (animal.months > 0) {
    const since = facts.start ?? facts.at;
    const day = daysUntilDay(today, since + animal.months * DAYS_PER_MONTH * DAY_MS, facts.zone);
    const pods = animal.group === 'fish' && animal.foods.includes('live pods');
    bounds.push({
      day: Math.max(0, day),
      rule: pods ? 'pods' : 'maturity',
      because: pods
        ? `The tank needs copepods of its own: ${countOf(animal.months, 'month')} of running`
        : `It needs a tank that has run ${countOf(animal.months, 'month')}`,
    });
  }
  if (animal.group === 'coral' && animal.kind !== 'soft' && !facts.alkalinitySteady) {
    bounds.push({
      day: Number.isFinite(isReady) ? isReady + 21 : Infinity,
      rule: 'alkalinity',
      because: 'Alkalinity must hold within 0.3 dKH either way for three weeks first',
    });
  }
  if (
    animal.group === 'invertebrate' &&
    animal.kept === 'cleanUpCrew' &&
    grazes(animal.foods) &&
    !facts.algae
  ) {
    bounds.push({
      day: Number.isFinite(isReady) ? isReady + 14 : Infinity,
      rule: 'algae',
      because: 'Once there is algae to graze: without it the clean-up crew starves',
    });
  }
  return bounds;
}
