import { daysBetween, dayStart } from '../../time/zone';
import { nitrogenLater } from '../food/bioload';
import { bodyGrams, usualCm } from '../body';
import type { CatalogueAnimal } from '../catalogue';
import { homeFindings } from '../compatibility/homeRules';
import { pairFindings } from '../compatibility/pairRules';
import { callIt, type Finding, type Lodger } from '../compatibility/types';
import type { Finder } from '../roster/lodgers';
import { quarantineLitres } from '../sharing';
import { boundsOf, clearBound, type Bound } from './dates/bounds';
import type { PlanWish, StockFacts } from './facts';
import { HORIZON, type Variant } from './dates/span';

/** A first fish is small up to this mass as bought, g: a disc of 8 cm. Nor does it grow large, cm. */
const SMALL_GRAMS = 13;
const FIRST_ADULT_CM = 25;
/** Months of running from which on an animal is a specialist that comes late by itself. */
const SPECIALIST_MONTHS = 6;

/** One wish, with all that its place in the plan depends on, whatever future it is planned for. */
export interface Wished {
  wishId: string;
  animal: CatalogueAnimal;
  name: string;
  count: number;
  lodger: Lodger;
  /** Who comes the same day as its partner; null without one. */
  partner: Lodger | null;
  fish: boolean;
  /** Few and small enough to be the first fish of a tank. */
  first: boolean;
  /** Claims a tank: comes after the docile. */
  late: boolean;
  /** A docile fish that the late ones wait for. */
  docile: boolean;
  /** Ammonia nitrogen by days since it came in, mg a day. */
  nitrogen: Float64Array;
  pinned: number | null;
  override: boolean;
  /** Why a rule is set aside for it; empty without. */
  reason: string;
  /** Where it is in quarantine already; null for what is not. */
  inQuarantine: PlanWish['inQuarantine'] | null;
  /** Litres it wants in quarantine; 0 for what does not go through the fishes' one. */
  quarantineLitres: number;
  /** What of the tank or of its residents forbids it. */
  forbidden: Finding | null;
}

/** The same with the days before which it cannot come in. */
export interface Item extends Wished {
  bounds: Bound[];
  /** The latest of them, the first of equals. */
  bound: Bound;
}

const territorial = (animal: CatalogueAnimal) =>
  animal.group === 'fish' && (animal.temper === 'aggressive' || animal.territory === 'all');

/** Whether a fish lives on pods, or hunts those that others live on. */
const livesOnPods = ({ animal }: Wished) =>
  animal.group === 'fish' && animal.foods.includes('live pods');
const huntsPods = ({ animal }: Wished) => animal.group === 'fish' && animal.eatsPods === true;

/** Tangs fight newcomers of their own family: the one that grows larger is not there first. */
const tangCm = ({ animal }: Wished) =>
  animal.group === 'fish' && animal.family === 'Acanthuridae' ? animal.adultCm : null;
function outgrows(one: Wished, other: Wished): boolean {
  const [own, theirs] = [tangCm(one), tangCm(other)];
  return own !== null && theirs !== null && own > theirs;
}

/**
 * Whether one comes only after another of the plan: who claims ground after the docile, who hunts pods after
 * who lives on them, a larger tang after a smaller.
 */
export function waitsFor(one: Wished, other: Wished): boolean {
  if (one.override || one === other) return false;
  if (one.late && other.docile) return true;
  // Who claims ground comes last whatever its size, and no two wait for each other.
  if (outgrows(one, other)) return one.late || !other.late;
  return huntsPods(one) && livesOnPods(other);
}

/** A wish with what it waits for by itself in one future. */
export function itemIn(
  wished: Wished,
  facts: StockFacts,
  today: number,
  ready: Variant['ready'],
): Item {
  const bounds = boundsIn(wished, facts, today, ready);
  return { ...wished, bounds, bound: bounds.reduce((top, one) => (one.day > top.day ? one : top)) };
}

function boundsIn(
  { animal, partner, override, reason, inQuarantine }: Wished,
  facts: StockFacts,
  today: number,
  ready: Variant['ready'],
): Bound[] {
  if (override) return [{ day: 0, rule: 'override', because: `Set aside by you: ${reason}` }];
  const bounds = [animal, ...(partner ? [partner.animal] : [])].flatMap((one) =>
    boundsOf(one, facts, today, ready),
  );
  return inQuarantine ? [...bounds, clearBound(inQuarantine, facts, today, ready)] : bounds;
}

/** What of the tank and of those that live there stands against a lodger. */
function standingAgainst(lodger: Lodger, home: StockFacts['home'], residents: readonly Lodger[]) {
  const { animal, count } = lodger;
  // A lid is a thing to do, not a reason to wait: it stands among the bounds.
  const own = homeFindings(lodger, home).filter(({ rule }) => rule !== 'lid');
  const same = residents.filter((other) => other.animal.id === animal.id);
  const all = count + same.reduce((sum, other) => sum + other.count, 0);
  const together =
    same.length > 0
      ? homeFindings({ ...lodger, count: all }, home).filter(({ rule }) => rule === 'ownKind')
      : [];
  const others = residents.flatMap((other) =>
    other.animal.id === animal.id ? [] : pairFindings(lodger, other, home),
  );
  return [...own, ...together, ...others];
}

/** One wish as it is sought a place for; null for an animal that nobody knows. */
export function wishedOf(
  wish: PlanWish,
  facts: StockFacts,
  today: number,
  scale: number,
  residents: readonly Lodger[],
  find: Finder,
): Wished | null {
  const found = find(wish.species);
  if (!found) return null;
  const other = wish.partner === undefined ? undefined : find(wish.partner);
  // Of a shrimp and its goby the fish sets the pace and goes through quarantine, whichever was wished for.
  const swaps = other?.group === 'fish' && found.group !== 'fish';
  const [animal, second] = swaps ? [other, found] : [found, other];
  const sizeCm = (swaps ? undefined : wish.sizeCm) ?? usualCm(animal);
  const lodger: Lodger = { animal, count: wish.count, ...(sizeCm > 0 ? { sizeCm } : {}) };
  const partner: Lodger | null = second ? { animal: second, count: wish.count } : null;
  const nitrogen = Float64Array.from(
    { length: HORIZON + 1 },
    (_, age) =>
      wish.count *
      scale *
      (nitrogenLater(animal, sizeCm, age) +
        (partner ? nitrogenLater(partner.animal, usualCm(partner.animal), age) : 0)),
  );
  const forbidden =
    [lodger, ...(partner ? [partner] : [])]
      .flatMap((one) => standingAgainst(one, facts.home, residents))
      .find(({ severity }) => severity === 'no') ?? null;
  const override = wish.override !== undefined;
  const inQuarantine = wish.inQuarantine ?? null;
  const fish = animal.group === 'fish';
  const pinned =
    wish.pinned === undefined
      ? null
      : daysBetween(today, dayStart(wish.pinned, facts.zone), facts.zone);
  const late = territorial(animal);
  return {
    wishId: wish.id,
    animal,
    name: partner ? `${callIt(animal)} with ${callIt(partner.animal)}` : callIt(animal),
    count: wish.count,
    lodger,
    partner,
    fish,
    first:
      fish &&
      wish.count <= 2 &&
      animal.adultCm <= FIRST_ADULT_CM &&
      bodyGrams(animal, sizeCm) <= SMALL_GRAMS,
    late,
    docile: fish && !late && animal.months < SPECIALIST_MONTHS,
    nitrogen,
    pinned: pinned !== null && pinned >= 0 ? pinned : null,
    override,
    reason: wish.override?.reason ?? '',
    inQuarantine,
    quarantineLitres: fish && !inQuarantine ? quarantineLitres(animal, sizeCm, wish.count) : 0,
    forbidden: override ? null : forbidden,
  };
}
