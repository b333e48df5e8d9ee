import { waitsFor, type Item } from '../item';
import type { PlanProblem } from '../problem';
import { HORIZON } from '../dates/span';
import {
  earliestDay,
  emptyState,
  firstFreeDay,
  passagesFor,
  withPlaced,
  type Placed,
  type PlanState,
} from './place';

/** Up to so many wishes every order is tried; beyond, the best few partial plans are kept. */
export const EXACT_UP_TO = 7;
/** Partial plans kept side by side. */
const BEAM = 8;

/** The least day an item could have by itself: a bound on what is left to be summed. */
function ownLeast(problem: PlanProblem, item: Item): number {
  const own = Math.max(...item.bounds.map(({ day }) => day), item.pinned ?? 0);
  if (problem.quarantineDays === 0 || !item.fish || item.inQuarantine) return own;
  const free = Math.min(...problem.tanks.map(({ freeFrom }) => freeFrom));
  return Math.max(own, free + problem.quarantineDays);
}

function leftLeast(
  state: PlanState,
  remaining: readonly number[],
  least: readonly number[],
): number {
  return remaining.reduce((sum, index) => sum + Math.max(state.lastDay, least[index] as number), 0);
}

/** Every way on from a partial plan, in order of wishes and tanks. */
function stepsOn(problem: PlanProblem, state: PlanState, remaining: readonly number[]): Placed[] {
  return remaining.flatMap((index) => {
    const firstFree = firstFreeDay(problem, state, problem.items[index] as Item);
    return passagesFor(problem, state, index).flatMap(
      (way) => earliestDay(problem, state, index, way, remaining, firstFree) ?? [],
    );
  });
}

const without = (list: readonly number[], index: number) => list.filter((other) => other !== index);

/** The plan of all of some items with the smallest sum of days; null where there is none within a bound. */
function exact(problem: PlanProblem, subset: readonly number[], bound: number): PlanState | null {
  const least = problem.items.map((item) => ownLeast(problem, item));
  const best: { plan: PlanState | null } = { plan: null };
  let most = bound;
  const go = (state: PlanState, remaining: readonly number[]): void => {
    if (remaining.length === 0) {
      best.plan = state;
      most = state.sum;
      return;
    }
    if (state.sum + leftLeast(state, remaining, least) >= most) return;
    const ways = stepsOn(problem, state, remaining).sort(
      (a, b) => a.day - b.day || a.item - b.item,
    );
    for (const placed of ways) {
      // What is left is no earlier than this one.
      if (state.sum + placed.day * remaining.length >= most) break;
      go(withPlaced(problem, state, placed), without(remaining, placed.item));
    }
  };
  go(emptyState(problem), subset);
  return best.plan;
}

/** Of many orders the best few at each step; as many items as can be placed. */
function beam(problem: PlanProblem, subset: readonly number[]): PlanState {
  const least = problem.items.map((item) => ownLeast(problem, item));
  let front: { state: PlanState; remaining: readonly number[] }[] = [
    { state: emptyState(problem), remaining: subset },
  ];
  for (;;) {
    const next = front.flatMap(({ state, remaining }) =>
      stepsOn(problem, state, remaining).map((placed) => {
        // The item itself is on its day, and no other sooner than that.
        let cost = state.sum + Math.min(0, placed.day - (least[placed.item] as number));
        for (const i of remaining) cost += Math.max(placed.day, least[i] as number);
        return { state, placed, remaining, cost };
      }),
    );
    if (next.length === 0) return (front[0] as (typeof front)[number]).state;
    next.sort((a, b) => a.cost - b.cost || a.placed.day - b.placed.day);
    const seen = new Set<string>();
    const kept: typeof next = [];
    for (const step of next) {
      // Two ways to the same plan so far are one.
      const key = [...step.state.placed, step.placed]
        .map(({ item, day }) => `${item}@${day}`)
        .sort()
        .join();
      if (seen.has(key)) continue;
      seen.add(key);
      kept.push(step);
      if (kept.length === BEAM) break;
    }
    // Only those that are kept are worked out in full.
    front = kept.map(({ state, placed, remaining }) => ({
      state: withPlaced(problem, state, placed),
      remaining: without(remaining, placed.item),
    }));
  }
}

/** The subsets of a list of a size, in order. */
function* subsets(list: readonly number[], size: number): Generator<number[]> {
  if (size === 0) {
    yield [];
    return;
  }
  for (let i = 0; i + size <= list.length; i += 1) {
    for (const rest of subsets(list.slice(i + 1), size - 1)) yield [list[i] as number, ...rest];
  }
}

/**
 * Those of some wishes that bear each other: of two that do not the one that was wished for first, so that no
 * wish is dropped for a later one, nor for several.
 */
export function inOrderOfWishes(problem: PlanProblem, list: readonly number[]): number[] {
  const kept: number[] = [];
  for (const index of list) {
    if (kept.every((other) => !problem.conflicts[index]?.[other])) kept.push(index);
  }
  return kept;
}

/** Whether anything but a day that never comes stands against a wish. */
export const mayCome = ({ forbidden, bounds }: Item) =>
  !forbidden && bounds.every(({ day }) => day <= HORIZON);

/** What a search found: a plan, and the items that are in none. */
export interface Found {
  state: PlanState;
  left: number[];
}

/**
 * The best plan of some wishes: of two that do not bear each other the first, then the fewest refused, then the
 * smallest sum of days. Every order is tried up to seven wishes; beyond that the best few partial plans are kept
 * at each step. The same problem gives the same plan.
 */
export function searchPlan(problem: PlanProblem): Found {
  const allowed = problem.items.flatMap((item, i) => (mayCome(item) ? [i] : []));
  let subset = inOrderOfWishes(problem, allowed);
  if (subset.length <= EXACT_UP_TO) {
    for (let size = subset.length; size > 0; size -= 1) {
      const best = [...subsets(subset, size)].reduce<PlanState | null>(
        (known, some) => exact(problem, some, known?.sum ?? (HORIZON + 1) * size) ?? known,
        null,
      );
      if (best) return { state: best, left: leftOf(problem, best) };
    }
    const none = emptyState(problem);
    return { state: none, left: leftOf(problem, none) };
  }
  for (;;) {
    const state = beam(problem, subset);
    const placed = new Set(state.placed.map(({ item }) => item));
    const missing = subset.filter((index) => !placed.has(index));
    // One that never comes must not keep out those that wait for it.
    const blocking = missing.filter((index) =>
      missing.some((other) => waitsFor(problem.items[other] as Item, problem.items[index] as Item)),
    );
    if (blocking.length === 0) return { state, left: leftOf(problem, state) };
    subset = subset.filter((index) => !blocking.includes(index));
  }
}

function leftOf(problem: PlanProblem, state: PlanState): number[] {
  const placed = new Set(state.placed.map(({ item }) => item));
  return problem.items.flatMap((_, i) => (placed.has(i) ? [] : [i]));
}
