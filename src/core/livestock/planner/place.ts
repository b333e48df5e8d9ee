import { PAIR_N } from '../../cycle/problem/additions';
import { TURNAROUND_DAYS } from './facts';
import type { Bound } from './bounds';
import type { Item } from './item';
import type { PlanProblem } from './problem';
import { QUARANTINE_LITRES_PER_CM } from './quarantine';
import { HORIZON, MONTH } from './span';

/** Where a quarantine tank of the plan stands: its newest batch, and when that clears and has left. */
export interface QuarantineState {
  batch: number | null;
  members: number[];
  cm: number;
  release: number;
  firstLeave: number;
  lastLeave: number;
}

/** An item with its day. */
export interface Placed {
  item: number;
  day: number;
  /** Which quarantine tank, and which of its batches; null for what goes through none. */
  tank: number | null;
  batch: number | null;
  bound: Bound;
}

/** A plan as far as it is made: in order of days. */
export interface PlanState {
  placed: Placed[];
  lastDay: number;
  lastFish: number | null;
  lastFishCount: number;
  /** Loads, mg N a day; index 0 is a month before today. */
  fish: Float64Array;
  all: Float64Array;
  quarantine: QuarantineState[];
  batches: number;
  sum: number;
}

export function emptyState(problem: PlanProblem): PlanState {
  return {
    placed: [],
    lastDay: 0,
    lastFish: problem.lastFish,
    lastFishCount: problem.lastFishCount,
    fish: problem.residentFish,
    all: problem.residentAll,
    quarantine: problem.tanks.map(({ freeFrom }) => ({
      batch: null,
      members: [],
      cm: 0,
      release: 0,
      firstLeave: 0,
      lastLeave: freeFrom - TURNAROUND_DAYS,
    })),
    batches: 0,
    sum: 0,
  };
}

/** A way through quarantine: which tank, and whether with the batch that is in it. */
export interface Passage {
  tank: number | null;
  join: boolean;
}

/** The ways through quarantine that are open to an item. */
export function passagesFor(problem: PlanProblem, state: PlanState, index: number): Passage[] {
  const item = problem.items[index] as Item;
  if (problem.quarantineDays === 0 || !item.fish || item.inQuarantine) {
    return [{ tank: null, join: false }];
  }
  const ways: Passage[] = [];
  const empty = new Set<string>();
  problem.tanks.forEach(({ litres, freeFrom }, tank) => {
    const now = state.quarantine[tank] as QuarantineState;
    const most = litres / QUARANTINE_LITRES_PER_CM;
    if (item.quarantineCm > most) return;
    if (
      now.batch !== null &&
      now.cm + item.quarantineCm <= most &&
      now.members.every((other) => !problem.apart[index]?.[other])
    ) {
      ways.push({ tank, join: true });
    }
    // Two unused tanks alike are one choice.
    const key = `${litres}/${freeFrom}`;
    if (now.batch === null && empty.has(key)) return;
    if (now.batch === null) empty.add(key);
    ways.push({ tank, join: false });
  });
  return ways;
}

/** How long one of a batch may stay on after the first of it has left, days: a bare tank is no home. */
export const STAYS_ON_DAYS = 21;

/** Days between additions of fish where the model alone sets the pace: time for a test or two. */
const MEASURED_GAP = 7;

/** What of pace and capacity keeps an item from a day; null where nothing does. */
export function heldOn(
  problem: PlanProblem,
  state: PlanState,
  item: Item,
  day: number,
): { rule: 'first' | 'doubling' | 'interval' | 'capacity'; because: string } | null {
  const own = item.nitrogen[0] as number;
  const i = day + MONTH;
  if (item.fish) {
    const held = paceHolds(problem, state, item, day, own);
    if (held) return held;
  }
  if (own > 0 && (state.all[i] as number) + own > (problem.capacity[day] as number)) {
    return {
      rule: 'capacity',
      because: 'The filter carries it from then on, in nine tanks of ten that your readings allow',
    };
  }
  return null;
}

function paceHolds(problem: PlanProblem, state: PlanState, item: Item, day: number, own: number) {
  const i = day + MONTH;
  const base = state.fish[i - MONTH] as number;
  const now = state.fish[i] as number;
  const { pace } = problem;
  const since = state.lastFish === null ? Infinity : day - state.lastFish;
  const last = lastFishName(problem, state);
  if (base <= 0 && now <= 0 && !item.first) {
    return {
      rule: 'first' as const,
      because: 'The first addition is at most two small fish or a pair',
    };
  }
  switch (pace.school) {
    case 'doubling': {
      // Twice of very little is very little: what a small pair makes is always borne a month later.
      if (now <= 0 && base <= 0) return null;
      if (base > 0 && now + own <= Math.max(2 * base, PAIR_N) + 1e-9) return null;
      return {
        rule: 'doubling' as const,
        because: `A month after ${last}: food would more than double`,
      };
    }
    case 'interval':
    case 'measured': {
      const gap = pace.school === 'interval' ? pace.days : MEASURED_GAP;
      if (since >= gap) return null;
      // A second one on the same day, as long as it is two fish in all.
      if (since === 0 && state.lastFishCount + item.count <= 2) return null;
      return {
        rule: 'interval' as const,
        because: `${gap} days after ${last}, with ammonia tested meanwhile`,
      };
    }
  }
}

function lastFishName(problem: PlanProblem, state: PlanState): string {
  const last = state.placed.findLast(({ item }) => problem.items[item]?.fish);
  const name = last ? problem.items[last.item]?.name : undefined;
  return name ? `the ${name.toLowerCase()}` : 'the last fish';
}

/** The latest of some bounds, the first of equals. */
function latest(bounds: readonly Bound[]): Bound {
  return bounds.reduce((top, bound) => (bound.day > top.day ? bound : top));
}

/** The day a passage clears, and the batch it is of. */
function passageBound(
  problem: PlanProblem,
  state: PlanState,
  way: Passage,
): { bound: Bound; batch: number } | null {
  if (way.tank === null) return null;
  const now = state.quarantine[way.tank] as QuarantineState;
  const batch = way.join && now.batch !== null ? now.batch : state.batches + 1;
  const day = way.join
    ? now.release
    : Math.max(0, now.lastLeave + TURNAROUND_DAYS) + problem.quarantineDays;
  return {
    batch,
    bound: {
      day,
      rule: 'quarantine',
      because: `Quarantine batch ${batch} is clear that day`,
    },
  };
}

/**
 * The earliest day for an item after those that are placed, by a way through quarantine; null where
 * there is none within the horizon. Days of a plan come in order, so an item never comes before
 * those placed already.
 * @param remaining those of the plan that are not placed yet, this one among them
 */
export function earliestDay(
  problem: PlanProblem,
  state: PlanState,
  index: number,
  way: Passage,
  remaining: readonly number[],
): Placed | null {
  const item = problem.items[index] as Item;
  const passage = passageBound(problem, state, way);
  if (item.late && !item.override && remaining.some((other) => problem.items[other]?.docile))
    return null;
  const bounds = [...item.bounds, ...(passage ? [passage.bound] : [])];
  const binding = latest(bounds);
  if (!(binding.day <= HORIZON)) return null;
  let day = Math.max(binding.day, state.lastDay);
  let bound: Bound = binding.day >= day ? binding : orderBound(problem, state, item, binding);
  if (item.pinned !== null) {
    if (item.pinned < day) return null;
    if (item.pinned > day)
      bound = { day: item.pinned, rule: 'pin', because: 'The day you pinned it to' };
    day = item.pinned;
    if (!item.override && heldOn(problem, state, item, day)) return null;
  } else if (!item.override) {
    let held = heldOn(problem, state, item, day);
    while (held) {
      bound = { day: day + 1, ...held };
      day += 1;
      if (day > HORIZON) return null;
      held = heldOn(problem, state, item, day);
    }
  }
  const batch = way.tank === null || !way.join ? null : state.quarantine[way.tank];
  if (batch && day > batch.firstLeave + STAYS_ON_DAYS) return null;
  return {
    item: index,
    day,
    tank: way.tank,
    batch: passage?.batch ?? null,
    bound: { ...bound, day },
  };
}

/** An item that could come sooner and waits for those before it: by its temper, or for nothing but order. */
function orderBound(problem: PlanProblem, state: PlanState, item: Item, own: Bound): Bound {
  if (!item.late) return own;
  const before = state.placed.findLast(({ item: other }) => problem.items[other]?.docile);
  const name = before ? problem.items[before.item]?.name.toLowerCase() : undefined;
  if (!before || before.day < state.lastDay || !name) return own;
  return {
    day: before.day,
    rule: 'order',
    because: `After the ${name}: it claims ground, so the docile settle first`,
  };
}

/** The plan with one more item in it. */
export function withPlaced(problem: PlanProblem, state: PlanState, placed: Placed): PlanState {
  const item = problem.items[placed.item] as Item;
  const quarantine = state.quarantine.map((now, tank): QuarantineState => {
    if (tank !== placed.tank || placed.batch === null) return now;
    const joined = now.batch === placed.batch;
    const start = Math.max(0, now.lastLeave + TURNAROUND_DAYS);
    return {
      batch: placed.batch,
      members: joined ? [...now.members, placed.item] : [placed.item],
      cm: (joined ? now.cm : 0) + item.quarantineCm,
      release: joined ? now.release : start + problem.quarantineDays,
      firstLeave: joined ? now.firstLeave : placed.day,
      lastLeave: placed.day,
    };
  });
  const all = new Float64Array(state.all);
  const fish = item.fish ? new Float64Array(state.fish) : state.fish;
  for (let i = placed.day + MONTH; i < all.length; i += 1) {
    const own = item.nitrogen[i - MONTH - placed.day] as number;
    all[i] = (all[i] as number) + own;
    if (item.fish) fish[i] = (fish[i] as number) + own;
  }
  const sameDay = item.fish && state.lastFish === placed.day;
  return {
    placed: [...state.placed, placed],
    lastDay: placed.day,
    lastFish: item.fish ? placed.day : state.lastFish,
    lastFishCount: item.fish
      ? (sameDay ? state.lastFishCount : 0) + item.count
      : state.lastFishCount,
    fish,
    all,
    quarantine,
    batches: Math.max(state.batches, placed.batch ?? 0),
    sum: state.sum + placed.day,
  };
}
