import { addDaysIn, daysBetween, startOfDayIn } from '../../time/zone';
import type { Pace } from '../../records/schema/tank';
import { capacityOn, type CapacityCurve } from '../../cycle/forecast/capacity';
import { homeFindings } from '../compatibility/homeRules';
import { pairFindings } from '../compatibility/pairRules';
import type { Finding } from '../compatibility/types';
import { finderWith, residentsOf, unnamedWords, type Finder } from '../lodgers';
import type { StockFacts } from './facts';
import { itemOf, type Item } from './item';
import { fedScale, residentLoads } from './loads';
import {
  assumedTank,
  mustBeApart,
  quarantineRefusal,
  quarantineTanks,
  type QuarantineTank,
} from './quarantine';
import { HORIZON, MIDDLE, type Variant } from './span';

/** All that the search needs, in days from today. */
export interface PlanProblem {
  facts: StockFacts;
  find: Finder;
  /** Midnight of today in the tank's zone, ms. */
  today: number;
  items: Item[];
  /** What forbids two items to live together. */
  conflicts: (Finding | null)[][];
  /** Whether two must not share a batch. */
  apart: boolean[][];
  /** Nitrogen of those who live there, mg a day, from a month ago on (index 0 is a month before today). */
  residentFish: Float64Array;
  residentAll: Float64Array;
  /** Day on which the last fish came in; null without any. */
  lastFish: number | null;
  /** Fish that came in on that day. */
  lastFishCount: number;
  pace: Pace;
  quarantineDays: number;
  tanks: QuarantineTank[];
  /** The largest load by day, mg N a day; endless where no posterior says. */
  capacity: Float64Array;
  remarks: string[];
}

/** Puts the facts of a tank into the form that a plan is searched in. */
export function planProblem(
  facts: StockFacts,
  curve: CapacityCurve | null,
  variant: Variant = MIDDLE,
): PlanProblem {
  const find = finderWith(facts.own);
  const today = startOfDayIn(facts.at, facts.zone);
  const scale = fedScale(facts, find);
  const residents = residentsOf(facts.lots, facts.at, find);
  const remarks: string[] = [];
  const days = facts.quarantineDays === 0 ? 0 : facts.quarantineDays + variant.longer;
  const tanks = quarantineTanks(facts, today, variant);
  const wantsFish = facts.wishes.some(({ species }) => find(species)?.group === 'fish');
  if (tanks.length === 0 && days > 0 && wantsFish) {
    const assumed = assumedTank();
    tanks.push(assumed);
    remarks.push(
      `No quarantine tank is on record: the plan counts on one of ${assumed.litres} L, set up within a week.`,
    );
  }
  if (days === 0 && wantsFish) {
    remarks.push('No quarantine, as you chose: one fish with a parasite can cost the whole tank.');
  }
  if (wantsFish && facts.home.lid === false) {
    remarks.push('A lid before the first fish: every new one jumps.');
  }
  if (wantsFish && !facts.heater) {
    remarks.push('Hold the heater against a thermometer before the first fish.');
  }
  const unnamed = unnamedWords(facts.lots, find);
  if (unnamed) remarks.push(unnamed);
  const unknown = facts.wishes.filter(({ species }) => !find(species));
  if (unknown.length > 0) {
    remarks.push(
      `Not in the catalogue, so not planned: ${unknown.map(({ species }) => species).join(', ')}.`,
    );
  }
  const items = facts.wishes.flatMap((wish) => {
    const item = itemOf(wish, facts, today, scale, residents, variant.ready, find);
    if (!item) return [];
    const forbidden =
      item.forbidden ??
      (item.override ? null : quarantineRefusal(item.lodger, item.quarantineCm, tanks, days));
    return [{ ...item, forbidden }];
  });
  const conflicts = items.map((a, i) =>
    items.map((b, k): Finding | null => {
      if (i === k || a.override || b.override) return null;
      if (a.animal.id === b.animal.id) {
        return (
          homeFindings({ ...a.lodger, count: a.count + b.count }, facts.home).find(
            ({ rule, severity }) => rule === 'ownKind' && severity === 'no',
          ) ?? null
        );
      }
      return (
        pairFindings(a.lodger, b.lodger, facts.home).find(({ severity }) => severity === 'no') ??
        null
      );
    }),
  );
  const loads = residentLoads(facts, today, scale, find);
  const fishLots = facts.lots.filter(
    ({ group, arrivedAt }) => group === 'fish' && arrivedAt <= facts.at,
  );
  const last = fishLots.reduce<number | null>(
    (latest, { arrivedAt }) =>
      Math.max(latest ?? -Infinity, daysBetween(today, arrivedAt, facts.zone)),
    null,
  );
  const capacity = Float64Array.from({ length: HORIZON + 1 }, (_, day) =>
    curve ? capacityOn(curve, day) * facts.netLitres : Infinity,
  );
  if (!curve)
    remarks.push('Nothing is known of what the filter carries: the plan goes by pace alone.');
  return {
    facts,
    find,
    today,
    items,
    conflicts,
    apart: items.map((a) => items.map((b) => a !== b && mustBeApart(a, b))),
    residentFish: loads.fish,
    residentAll: loads.all,
    lastFish: last,
    lastFishCount: fishLots
      .filter(({ arrivedAt }) => daysBetween(today, arrivedAt, facts.zone) === last)
      .reduce((sum, { here }) => sum + (here ?? 1), 0),
    pace: facts.stocking.pace,
    quarantineDays: days,
    tanks,
    capacity,
    remarks,
  };
}

/** The moment of a day of a plan, ms. */
export function momentOf(problem: Pick<PlanProblem, 'today' | 'facts'>, day: number): number {
  return addDaysIn(problem.today, day, problem.facts.zone);
}
