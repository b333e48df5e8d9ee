import { doubledFrom } from '../dates/doubling';
import { TURNAROUND_DAYS } from '../facts';
import type { Bound } from '../dates/bounds';
import { waitsFor, type Item } from '../item';
import type { PlanProblem } from '../problem';
import { roomForCompany } from '../dates/quarantine';
import { HORIZON, MONTH } from '../dates/span';

/** Where a quarantine tank of the plan stands: its newest batch, and when that clears and has left. */
export interface QuarantineState {
  batch: number | null;
  members: number[];
  litres: number;
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
      litres: 0,
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
    if (item.quarantineLitres > litres) return;
    if (
      now.batch !== null &&
      now.litres + item.quarantineLitres <= litres &&
      now.members.every((other) => !problem.apart[index]?.[other]) &&
      roomForCompany(litres, [
        item.animal,
        ...now.members.flatMap((other) => problem.items[other]?.animal ?? []),
      ])
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

/** What of pace and capacity may keep an item from a day. */
export type HoldId = 'first' | 'doubling' | 'interval' | 'capacity';

/** What of pace and capacity keeps an item from a day; null where nothing does. */
export function heldOn(
  problem: PlanProblem,
  state: PlanState,
  item: Item,
  day: number,
): HoldId | null {
  const own = item.nitrogen[0] as number;
  if (item.fish) {
    const held = paceHolds(problem, state, item, day, own);
    if (held) return held;
  }
  const borne = problem.capacity[day] as number;
  return own > 0 && (state.all[day + MONTH] as number) + own > borne ? 'capacity' : null;
}

/** Why it is kept from that day, in words: asked of the day that was found alone, not of all before. */
export function heldBecause(problem: PlanProblem, state: PlanState, held: HoldId): string {
  switch (held) {
    case 'first':
      return 'The first addition is at most two small fish or a pair';
    case 'doubling':
      return `Once the fish here have grown enough, a month after ${lastFishName(problem, state)} at the earliest: sooner, food would more than double within a month`;
    case 'interval':
      return `${gapOf(problem)} days after ${lastFishName(problem, state)}, with ammonia tested meanwhile`;
    case 'capacity':
      return 'The filter carries it from then on, in nine tanks of ten that your readings allow';
  }
}

const gapOf = ({ pace }: PlanProblem) => (pace.rule === 'interval' ? pace.days : MEASURED_GAP);

function paceHolds(
  problem: PlanProblem,
  state: PlanState,
  item: Item,
  day: number,
  own: number,
): HoldId | null {
  const base = state.fish[day] as number;
  const now = state.fish[day + MONTH] as number;
  if (base <= 0 && now <= 0 && !item.first) return 'first';
  if (problem.pace.rule === 'doubling') {
    if (now <= 0 && base <= 0) return null;
    const most = base > 0 ? doubledFrom(base, problem.facts.netLitres) : 0;
    return now + own <= most + 1e-9 ? null : 'doubling';
  }
  const since = state.lastFish === null ? Infinity : day - state.lastFish;
  if (since >= gapOf(problem)) return null;
  // A second one on the same day, as long as it is two fish in all, and small ones on the first day.
  const firstDay = (state.fish[day + MONTH - 1] as number) <= 0;
  const beside = since === 0 && state.lastFishCount + item.count <= 2;
  return beside && (item.first || !firstDay) ? null : 'interval';
}

function lastFishName(problem: PlanProblem, state: PlanState): string {
  const last = state.placed.findLast(({ item }) => problem.items[item]?.fish);
  const name = last ? problem.items[last.item]?.name : undefined;
  return name ? `the ${name.toLowerCase()}` : 'the last fish';
}

/** The day a passage clears, and the batch it is of. */
function passageOf(
  problem: PlanProblem,
  state: PlanState,
  { tank, join }: Passage,
): { day: number; batch: number } | null {
  if (tank === null) return null;
  const now = state.quarantine[tank] as QuarantineState;
  if (join && now.batch !== null) return { batch: now.batch, day: now.release };
  const start = Math.max(0, now.lastLeave + TURNAROUND_DAYS);
  return { batch: state.batches + 1, day: start + problem.quarantineDays };
}

/** What binds an item that goes through a passage: its own bounds where they are later. */
function bindingOf({ bound }: Item, passage: { day: number; batch: number } | null): Bound {
  if (!passage || passage.day <= bound.day) return bound;
  return {
    day: passage.day,
    rule: 'quarantine',
    because: `Quarantine batch ${passage.batch} is clear that day`,
  };
}

/** The first day from one on that nothing of pace or capacity holds, and what held the day before it. */
type FirstFree = (from: number) => { day: number; held: HoldId | null } | null;

/** Finds it for an item after those that are placed; ways that begin on nearby days share the walk. */
export function firstFreeDay(problem: PlanProblem, state: PlanState, item: Item): FirstFree {
  let known: { from: number; day: number; held: HoldId | null } | null = null;
  return (from) => {
    if (!known || from < known.from || from > known.day) {
      let day = from;
      let held: HoldId | null = null;
      for (; day <= HORIZON; day += 1) {
        const now = heldOn(problem, state, item, day);
        if (!now) break;
        held = now;
      }
      known = { from, day, held };
    }
    if (known.day > HORIZON) return null;
    return { day: known.day, held: from === known.day ? null : known.held };
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
  firstFree: FirstFree = firstFreeDay(problem, state, problem.items[index] as Item),
): Placed | null {
  const item = problem.items[index] as Item;
  const passage = passageOf(problem, state, way);
  if (remaining.some((other) => waitsFor(item, problem.items[other] as Item))) return null;
  const binding = bindingOf(item, passage);
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
    const free = firstFree(day);
    if (!free) return null;
    day = free.day;
    if (free.held) {
      bound = { day, rule: free.held, because: heldBecause(problem, state, free.held) };
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
  const before = state.placed.findLast(({ item: other }) =>
    waitsFor(item, problem.items[other] as Item),
  );
  const name = before ? problem.items[before.item]?.name.toLowerCase() : undefined;
  if (!before || before.day < state.lastDay || !name) return own;
  return {
    day: before.day,
    rule: 'order',
    because: item.late
      ? `After the ${name}: it claims ground, so the docile settle first`
      : `After the ${name}, which lives on the pods that it hunts`,
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
      litres: (joined ? now.litres : 0) + item.quarantineLitres,
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
