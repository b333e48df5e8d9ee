import { addDaysIn, DAY_MS, dayStart, daysBetween, startOfDayIn } from '../../time/zone';
import { protocolOf } from '../../quarantine/protocols';
import { countOf } from '../../units/format';
import type { Pace } from '../../records/schema/tank';
import { capacityOn, type CapacityCurve } from '../../cycle/forecast/capacity';
import { nitrogenLater } from '../bioload';
import { usualCm } from '../body';
import type { CatalogueAnimal } from '../catalogue';
import { homeFindings } from '../compatibility/homeRules';
import { pairFindings } from '../compatibility/pairRules';
import { callIt, type Finding, type Lodger } from '../compatibility/types';
import { finderWith, lotNitrogen, residentsOf, type Finder } from '../lodgers';
import type { Lot } from '../roster';
import { TURNAROUND_DAYS, type StockFacts } from './facts';

/** How far a plan looks ahead, days. */
export const HORIZON = 540;
/** The month over which food at most doubles, days. */
export const MONTH = 30;
/** Litres of quarantine for each cm of fish: a tank of 75 L holds some 19 cm. */
export const QUARANTINE_LITRES_PER_CM = 4;
/** Without a quarantine tank on record the plan counts on one of this size, after some days to set it up. */
const ASSUMED_QUARANTINE = { litres: 75, inDays: 7 };
/** A first fish is small up to this length as bought, cm. */
const SMALL_CM = 8;
/** Months of running from which on an animal is a specialist that comes late by itself. */
const SPECIALIST_MONTHS = 6;

/** Why a day is not earlier: what binds it, by name. */
export const BINDINGS = [
  'today',
  'ready',
  'maturity',
  'pods',
  'alkalinity',
  'algae',
  'lid',
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

/** One wish, with all that its place in the plan depends on. */
export interface Item {
  wishId: string;
  animal: CatalogueAnimal;
  name: string;
  count: number;
  lodger: Lodger;
  fish: boolean;
  /** Few and small enough to be the first fish of a tank. */
  first: boolean;
  /** Claims a tank: comes after the docile. */
  late: boolean;
  /** A docile fish that the late ones wait for. */
  docile: boolean;
  /** Ammonia nitrogen by days since it came in, mg a day. */
  nitrogen: Float64Array;
  bounds: Bound[];
  pinned: number | null;
  override: boolean;
  /** Why a rule is set aside for it; empty without. */
  reason: string;
  /** cm of fish in quarantine; 0 for what does not go through the fishes' one. */
  quarantineCm: number;
  /** What of the tank or of its residents forbids it. */
  forbidden: Finding | null;
}

/** A quarantine tank, by the day it is free from. */
export interface QuarantineTank {
  name: string;
  litres: number;
  freeFrom: number;
}

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

/** Ways in which a plan's future may differ from its middle: for the early and the late end of its dates. */
export interface Variant {
  ready: 'p10' | 'p50' | 'p90';
  /** Days by which every batch clears later. */
  longer: number;
}
export const MIDDLE: Variant = { ready: 'p50', longer: 0 };

function readyDay(facts: StockFacts, today: number, ready: Variant['ready']): number {
  const at = facts.ready[ready];
  if (at === null) return Infinity;
  return Math.max(0, Math.ceil((at - today) / DAY_MS - 1e-9));
}

const grazes = (foods: readonly string[]) =>
  foods.some((food) => /algae/.test(food)) &&
  !foods.some((food) => /carrion|leftovers|detritus/.test(food));

/** What an animal waits for by itself, whoever else comes. */
function boundsOf(
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
  if (animal.group === 'fish' && facts.home.lid === false) {
    bounds.push({ day: 0, rule: 'lid', because: 'A lid first: every new fish jumps' });
  }
  if (animal.months > 0) {
    const since = facts.start ?? facts.at;
    const day = Math.ceil((since + animal.months * 30.4 * DAY_MS - today) / DAY_MS);
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
    animal.kept === 'crew' &&
    grazes(animal.foods) &&
    !facts.algae
  ) {
    bounds.push({
      day: Number.isFinite(isReady) ? isReady + 14 : Infinity,
      rule: 'algae',
      because: 'Once there is algae to graze: without it the crew starves',
    });
  }
  return bounds;
}

const territorial = (animal: CatalogueAnimal) =>
  animal.group === 'fish' && (animal.temper === 'aggressive' || animal.territory === 'all');

function quarantineRefusal(
  lodger: Lodger,
  cm: number,
  tanks: readonly QuarantineTank[],
  days: number,
): Finding | null {
  if (days === 0 || lodger.animal.group !== 'fish') return null;
  if (tanks.some(({ litres }) => litres >= cm * QUARANTINE_LITRES_PER_CM)) return null;
  return {
    rule: 'roomToLive',
    severity: 'no',
    between: [lodger.animal.id],
    because: `${callIt(lodger.animal)}: no quarantine tank holds ${Math.round(cm)} cm of fish.`,
    mend: `One of ${Math.ceil((cm * QUARANTINE_LITRES_PER_CM) / 5) * 5} L.`,
  };
}

/** Two that would not share even the weeks of a quarantine. */
function mustBeApart(a: Item, b: Item): boolean {
  const home = { litres: 100, lengthCm: null, sandCm: null, lid: true, temperature: null };
  if (pairFindings(a.lodger, b.lodger, home).some(({ severity }) => severity === 'no')) return true;
  const rivals =
    a.animal.group === 'fish' && b.animal.group === 'fish' && a.animal.family === b.animal.family;
  const quarrel = [a, b].some(({ late }) => late);
  return quarrel && (rivals || (a.late && b.late));
}

function residentLoads(facts: StockFacts, today: number, scale: number, find: Finder) {
  const all = new Float64Array(MONTH + HORIZON + 1);
  const fish = new Float64Array(MONTH + HORIZON + 1);
  for (const plain of facts.lots) {
    const lot = plain as Lot;
    const arrived = Math.ceil((lot.arrivedAt - today) / DAY_MS);
    for (let i = Math.max(0, arrived + MONTH); i < all.length; i += 1) {
      const own = scale * lotNitrogen(lot, today + (i - MONTH) * DAY_MS, find);
      all[i] = (all[i] as number) + own;
      if (lot.group === 'fish') fish[i] = (fish[i] as number) + own;
    }
  }
  return { all, fish };
}

/** How far what is fed may lie from what bodies need before it is no guide to them. */
const SCALE = { least: 0.4, most: 3 };

/** What is fed against what bodies would need: 1 where nobody logged the food. */
export function fedScale(facts: StockFacts, find: Finder): number {
  const bodies = facts.lots.reduce((sum, lot) => sum + lotNitrogen(lot as Lot, facts.at, find), 0);
  if (facts.fed === null || bodies <= 0) return 1;
  return Math.min(SCALE.most, Math.max(SCALE.least, facts.fed / bodies));
}

/** One wish as an item of the search; null for an animal that nobody knows. */
function itemOf(
  wish: StockFacts['wishes'][number],
  facts: StockFacts,
  today: number,
  scale: number,
  residents: readonly Lodger[],
  ready: Variant['ready'],
  find: Finder,
): Item | null {
  const animal = find(wish.species);
  if (!animal) return null;
  const sizeCm = wish.sizeCm ?? usualCm(animal);
  const lodger: Lodger = { animal, count: wish.count, ...(sizeCm > 0 ? { sizeCm } : {}) };
  const nitrogen = Float64Array.from(
    { length: HORIZON + 1 },
    (_, age) => wish.count * scale * nitrogenLater(animal, sizeCm, age),
  );
  // A lid is a thing to do, not a reason to wait: it stands among the bounds.
  const own = homeFindings(lodger, facts.home).filter(({ rule }) => rule !== 'lid');
  const others = residents.flatMap((other) =>
    other.animal.id === animal.id ? [] : pairFindings(lodger, other, facts.home),
  );
  const same = residents.filter((other) => other.animal.id === animal.id);
  const together =
    same.length > 0
      ? homeFindings(
          { ...lodger, count: lodger.count + same.reduce((sum, { count }) => sum + count, 0) },
          facts.home,
        ).filter(({ rule }) => rule === 'ownKind')
      : [];
  const forbidden =
    [...own, ...together, ...others].find(({ severity }) => severity === 'no') ?? null;
  const override = wish.override !== undefined;
  const fish = animal.group === 'fish';
  const pinned =
    wish.pinned === undefined
      ? null
      : daysBetween(today, dayStart(wish.pinned, facts.zone), facts.zone);
  const late = territorial(animal);
  return {
    wishId: wish.id,
    animal,
    name: callIt(animal),
    count: wish.count,
    lodger,
    fish,
    first: fish && wish.count <= 2 && sizeCm <= SMALL_CM,
    late,
    docile: fish && !late && animal.months < SPECIALIST_MONTHS,
    nitrogen,
    bounds: override
      ? [{ day: 0, rule: 'override', because: `Set aside by you: ${wish.override?.reason ?? ''}` }]
      : boundsOf(animal, facts, today, ready),
    pinned: pinned !== null && pinned >= 0 ? pinned : null,
    override,
    reason: wish.override?.reason ?? '',
    quarantineCm: fish ? sizeCm * wish.count : 0,
    forbidden: override ? null : forbidden,
  };
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
  const residents = residentsOf(facts.lots as Lot[], facts.at, find);
  const protocol = protocolOf(facts.stocking.protocol);
  const remarks: string[] = [];
  const days = protocol.days === 0 ? 0 : protocol.days + variant.longer;
  const tanks: QuarantineTank[] = facts.quarantine.map(({ name, litres, busyUntil }) => ({
    name,
    litres,
    freeFrom:
      busyUntil === null
        ? 0
        : Math.max(0, Math.ceil((busyUntil - today) / DAY_MS) + TURNAROUND_DAYS + variant.longer),
  }));
  const wantsFish = facts.wishes.some(({ species }) => find(species)?.group === 'fish');
  if (tanks.length === 0 && days > 0 && wantsFish) {
    tanks.push({
      name: 'a quarantine tank',
      litres: ASSUMED_QUARANTINE.litres,
      freeFrom: ASSUMED_QUARANTINE.inDays,
    });
    remarks.push(
      `No quarantine tank is on record: the plan counts on one of ${ASSUMED_QUARANTINE.litres} L, set up within a week.`,
    );
  }
  if (days === 0 && wantsFish) {
    remarks.push('No quarantine, as you chose: one fish with a parasite can cost the whole tank.');
  }
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
