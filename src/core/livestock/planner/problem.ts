import { addDaysIn, daysBetween, startOfDayIn } from '../../time/zone';
import type { Pace } from '../../records/schema/tank';
import { capacityOn, type CapacityCurve } from '../../cycle/forecast/capacity';
import { homeFindings } from '../compatibility/homeRules';
import { pairFindings } from '../compatibility/pairRules';
import type { Finding, Home, Lodger } from '../compatibility/types';
import { finderWith, residentsOf, unnamedWords, type Finder } from '../roster/lodgers';
import type { StockFacts } from './facts';
import { itemIn, wishedOf, type Item, type Wished } from './item';
import { fedScale, residentLoads } from './search/loads';
import {
  assumedTank,
  mustBeApart,
  quarantineRefusal,
  quarantineTanks,
  type QuarantineTank,
} from './dates/quarantine';
import { HORIZON, MIDDLE, type Variant } from './dates/span';

/** What is the same whatever the future brings: who lives there, who is wished for, who bears whom. */
export interface Standing {
  facts: StockFacts;
  find: Finder;
  /** Midnight of today in the tank's zone, ms. */
  today: number;
  wished: Wished[];
  /** Who lives there. */
  residents: Lodger[];
  /** Whether two cannot live together. */
  conflicts: boolean[][];
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
}

/** All that the search needs, in days from today. */
export interface PlanProblem extends Omit<Standing, 'wished'> {
  items: Item[];
  quarantineDays: number;
  tanks: QuarantineTank[];
  /** The largest load by day, mg N a day; endless where no posterior says. */
  capacity: Float64Array;
  remarks: string[];
}

/** Who comes in by a wish: its animal, and its partner. */
export const comers = ({ lodger, partner }: Wished): Lodger[] =>
  partner ? [lodger, partner] : [lodger];

/** What forbids two wishes to live together; null where nothing does. */
export function conflictOf(a: Wished, b: Wished, home: Home): Finding | null {
  if (a === b || a.override || b.override) return null;
  const forbids = ({ severity }: Finding) => severity === 'no';
  for (const one of comers(a)) {
    for (const other of comers(b)) {
      const found =
        one.animal.id === other.animal.id
          ? homeFindings({ ...one, count: one.count + other.count }, home).find(
              (finding) => finding.rule === 'ownKind' && forbids(finding),
            )
          : pairFindings(one, other, home).find(forbids);
      if (found) return found;
    }
  }
  return null;
}

/** Of every two whether something holds that is the same whichever way round. */
function mutual<T>(list: readonly T[], holds: (a: T, b: T) => boolean): boolean[][] {
  const table = list.map(() => list.map(() => false));
  list.forEach((a, i) => {
    for (let k = i + 1; k < list.length; k += 1) {
      const found = holds(a, list[k] as T);
      (table[i] as boolean[])[k] = found;
      (table[k] as boolean[])[i] = found;
    }
  });
  return table;
}

/** Reads off the facts of a tank what every plan of it stands on. */
export function standingOf(facts: StockFacts): Standing {
  const find = finderWith(facts.own);
  const today = startOfDayIn(facts.at, facts.zone);
  const scale = fedScale(facts, find);
  const residents = residentsOf(facts.cohorts, facts.at, find);
  const wished = facts.wishes.flatMap(
    (wish) => wishedOf(wish, facts, today, scale, residents, find) ?? [],
  );
  const loads = residentLoads(facts, today, scale, find);
  const fish = facts.cohorts
    .filter(({ group, arrivedAt }) => group === 'fish' && arrivedAt <= facts.at)
    .map(({ arrivedAt, here }) => ({ day: daysBetween(today, arrivedAt, facts.zone), here }));
  const last = fish.length === 0 ? null : Math.max(...fish.map(({ day }) => day));
  return {
    facts,
    find,
    today,
    wished,
    residents,
    conflicts: mutual(wished, (a, b) => conflictOf(a, b, facts.home) !== null),
    apart: mutual(wished, mustBeApart),
    residentFish: loads.fish,
    residentAll: loads.all,
    lastFish: last,
    lastFishCount: fish
      .filter(({ day }) => day === last)
      .reduce((sum, { here }) => sum + (here ?? 1), 0),
    pace: facts.stocking.pace,
  };
}

/** Puts what stands into the form that a plan is searched in, for one future; the filter sets no limit yet. */
export function planProblem(standing: Standing, variant: Variant = MIDDLE): PlanProblem {
  const { wished, ...rest } = standing;
  const { facts, today } = standing;
  const days = facts.quarantineDays === 0 ? 0 : facts.quarantineDays + variant.longer;
  const tanks = quarantineTanks(facts, today, variant);
  const assumed = tanks.length === 0 && days > 0 && wantsFish(standing);
  if (assumed) tanks.push(assumedTank());
  const items = wished.map((one): Item => ({
    ...itemIn(one, facts, today, variant.ready),
    forbidden:
      one.forbidden ??
      (one.override ? null : quarantineRefusal(one.lodger, one.quarantineLitres, tanks, days)),
  }));
  return {
    ...rest,
    items,
    quarantineDays: days,
    tanks,
    capacity: new Float64Array(HORIZON + 1).fill(Infinity),
    remarks: remarksOn(standing, assumed),
  };
}

/** The same problem within what a filter carries by date. */
export function within(problem: PlanProblem, curve: CapacityCurve): PlanProblem {
  const { netLitres } = problem.facts;
  return {
    ...problem,
    capacity: Float64Array.from(
      { length: HORIZON + 1 },
      (_, day) => capacityOn(curve, day) * netLitres,
    ),
  };
}

const wantsFish = ({ facts, find }: Standing) =>
  facts.wishes.some(({ species }) => find(species)?.group === 'fish');

/** What has to be said of a plan beside its dates. */
function remarksOn(standing: Standing, assumed: boolean): string[] {
  const { facts, find } = standing;
  const remarks: string[] = [];
  if (assumed) {
    remarks.push(
      `No quarantine tank is on record: the plan counts on one of ${assumedTank().litres} L, set up within a week.`,
    );
  }
  if (wantsFish(standing)) {
    if (facts.quarantineDays === 0) {
      remarks.push(
        'No quarantine, as you chose: one fish with a parasite can cost the whole tank.',
      );
    }
    if (facts.home.lid === false) {
      remarks.push('A lid before the first fish: every new one jumps.');
    }
    if (!facts.heater) {
      remarks.push('Check the heater against a thermometer before the first fish.');
    }
  }
  const unnamed = unnamedWords(facts.cohorts, find);
  if (unnamed) remarks.push(unnamed);
  const unknown = facts.wishes.filter(({ species }) => !find(species));
  if (unknown.length > 0) {
    remarks.push(
      `Not in the catalogue, so not planned: ${unknown.map(({ species }) => species).join(', ')}.`,
    );
  }
  return remarks;
}

/** The moment of a day of a plan, ms. */
export function momentOf(problem: Pick<PlanProblem, 'today' | 'facts'>, day: number): number {
  return addDaysIn(problem.today, day, problem.facts.zone);
}
