import {
  capacityCurve,
  FREE_LIMIT,
  peakUnder,
  type CapacityCurve,
} from '../../cycle/forecast/capacity';
import type { Load } from '../../cycle/forecast/course/carry';
import { PAIR_N } from '../../cycle/problem/additions';
import { doubledFrom } from './dates/doubling';
import type { Posterior } from '../../cycle/inference/posterior';
import { daysToOutgrow, homeFindings } from '../compatibility/homeRules';
import { pairFindings } from '../compatibility/pairRules';
import { isolationWords } from '../../quarantine/clock/isolation';
import type { StockFacts } from './facts';
import { earliestDay, emptyState, withPlaced, type Placed, type PlanState } from './search/place';
import {
  comers,
  momentOf,
  planProblem,
  type PlanProblem,
  type Standing,
  standingOf,
  within,
} from './problem';
import { refusalOf } from './refusals';
import { MONTH, type Variant } from './dates/span';
import { searchPlan, type Found } from './search/search';
import type { Plan, PlanItem, PlanLoad } from './types';

/**
 * What a sign costs that restarts the clock of a batch, days. Taken to happen in about one of four, so
 * the late end of a plan’s dates has it and its middle has not.
 */
const RESTART_DAYS = 14;
const EARLY: Variant = { ready: 'p10', longer: 0 };
const LATE: Variant = { ready: 'p90', longer: RESTART_DAYS };

/** Days at which capacity is read off the posterior. */
const CURVE_DAYS = [0, 7, 14, 30, 60, 120, 240];
/** How far a plan is followed by simulation, days. */
const CHECKED_DAYS = 240;
/** Times a plan that the simulation refutes is sought again under a stricter curve, and how much stricter. */
const TRIES = 4;
const STRICTER = 0.75;
/** Filter bacteria without fish are taken to be fed so much meanwhile, mg N/L a day: what the first pair will make. */
const KEPT_FED = 0.03;

/** The same order and batches under another future: the day of each, null where it never comes. */
function retimed(problem: PlanProblem, placed: readonly Placed[]): Map<number, number | null> {
  const days = new Map<number, number | null>();
  let state: PlanState = emptyState(problem);
  let remaining = placed.map(({ item }) => item);
  for (const { item, tank, batch } of placed) {
    const inTank = tank === null ? null : (state.quarantine[tank]?.batch ?? null);
    const before = placed.filter((other) => other.tank === tank && other.batch === batch);
    const join = tank !== null && before[0]?.item !== item && inTank !== null;
    const found = earliestDay(problem, state, item, { tank, join }, remaining);
    days.set(item, found?.day ?? null);
    if (found) state = withPlaced(problem, state, found);
    remaining = remaining.filter((other) => other !== item);
  }
  return days;
}

/** The load a plan makes, mg N/L a day, from now on. */
function loadOf(problem: PlanProblem, state: PlanState, measure: number): Load[] {
  const days = new Set([0, ...state.placed.map(({ day }) => day)]);
  for (let day = 0; day < CHECKED_DAYS; day += MONTH) days.add(day);
  return [...days]
    .filter((day) => day < CHECKED_DAYS)
    .sort((a, b) => a - b)
    .map((day) => ({
      fromDay: day,
      nitrogen: Math.max(
        (measure * (state.all[day + MONTH] as number)) / problem.facts.netLitres,
        (state.fish[day + MONTH] as number) > 0 ? 0 : KEPT_FED,
      ),
    }));
}

/** How far the model's reckoning of what animals make may lie from that of their bodies and food. */
const MEASURE = { least: 0.3, most: 3 };

/**
 * What the model takes the animals of a tank to make, over what their bodies and food come to: its
 * filter bacteria have grown on the former, so what is added is told to it in the same measure.
 * @param loadNow what they make now by bodies and food, mg N a day
 */
export function modelMeasure(facts: StockFacts, posterior: Posterior, loadNow: number): number {
  const { fish } = posterior.problem;
  if (fish <= 0 || loadNow <= 0) return 1;
  return Math.min(MEASURE.most, Math.max(MEASURE.least, (fish * facts.netLitres) / loadNow));
}

/**
 * The curve of a tank's capacity, under the load it has now or, without fish, the feeding that keeps
 * it; in the measure of bodies and food.
 */
export function tankCurve(facts: StockFacts, posterior: Posterior, loadNow: number): CapacityCurve {
  const measure = modelMeasure(facts, posterior, loadNow);
  const kept = Math.max((loadNow * measure) / facts.netLitres, KEPT_FED);
  const { days, most } = capacityCurve(posterior, kept, CURVE_DAYS);
  return { days, most: most.map((load) => load / measure) };
}

/** The problem of a plan in its middle future, and in those of the early and the late end of its dates. */
interface Futures {
  middle: PlanProblem;
  early: PlanProblem;
  late: PlanProblem;
}

function futuresOf(standing: Standing): Futures {
  return {
    middle: planProblem(standing),
    early: planProblem(standing, EARLY),
    late: planProblem(standing, LATE),
  };
}

function carrying({ middle, early, late }: Futures, curve: CapacityCurve): Futures {
  return {
    middle: within(middle, curve),
    early: within(early, curve),
    late: within(late, curve),
  };
}

/** Writes a plan of what a search found, with the ends of its dates and the reasons. */
function written({ middle, early, late }: Futures, { state, left }: Found): Plan {
  const ends = { early: retimed(early, state.placed), late: retimed(late, state.placed) };
  return {
    tankId: middle.facts.tankId,
    at: middle.facts.at,
    items: state.placed.map((placed) => planItem(middle, state, placed, ends.early, ends.late)),
    refused: left.map((index) => refusalOf(middle, state, index)),
    load: loadToday(middle),
    remarks: middle.remarks,
    verified: null,
    peak: null,
  };
}

/** The plan of a tank's wishes by pace alone. */
function byPace(facts: StockFacts): Plan {
  const futures = futuresOf(standingOf(facts));
  const plan = written(futures, searchPlan(futures.middle));
  return {
    ...plan,
    remarks: [
      ...plan.remarks,
      'Nothing is known of what the filter carries: the plan goes by pace alone.',
    ],
  };
}

/** The plan of a tank's wishes by a curve of what it carries; without one by pace alone. */
export function planFrom(facts: StockFacts, curve: CapacityCurve | null): Plan {
  if (!curve) return byPace(facts);
  const futures = carrying(futuresOf(standingOf(facts)), curve);
  return written(futures, searchPlan(futures.middle));
}

/**
 * Makes the plan of a tank's wishes. The search reads capacity by date from a curve; a simulation of
 * the whole then follows what was found, and a plan that it refutes is sought again under a stricter one.
 * @param posterior what the readings say of the filter bacteria; without one the plan goes by pace alone
 */
export function makePlan(facts: StockFacts, posterior: Posterior | null): Plan {
  if (!posterior) return byPace(facts);
  const futures = futuresOf(standingOf(facts));
  const bare = futures.middle;
  const now = bare.residentAll[MONTH] as number;
  const measure = modelMeasure(facts, posterior, now);
  const curve = tankCurve(facts, posterior, now);
  const peakOf = (state: PlanState) =>
    peakUnder(posterior, loadOf(bare, state, measure), CHECKED_DAYS);
  // What those that live there come to by themselves is no fault of the plan.
  const alone = peakOf(emptyState(bare));
  const limit = Math.max(FREE_LIMIT, alone);
  const strictly = (strict: number) => ({
    ...curve,
    most: curve.most.map((most) => most * strict),
  });
  let strict = 1;
  let found = searchPlan(within(bare, strictly(strict)));
  let peak = peakOf(found.state);
  for (let again = 1; again < TRIES && peak > limit && found.state.placed.length > 0; again += 1) {
    strict *= STRICTER;
    found = searchPlan(within(bare, strictly(strict)));
    peak = peakOf(found.state);
  }
  const plan = written(carrying(futures, strictly(strict)), found);
  const verified = peak <= limit;
  const usual = capacityCurve(
    posterior,
    Math.max((now * measure) / facts.netLitres, KEPT_FED),
    [0],
    FREE_LIMIT,
    0.5,
  );
  return {
    ...plan,
    load: {
      ...plan.load,
      carries: {
        low: (curve.most[0] ?? 0) * facts.netLitres,
        usual: ((usual.most[0] ?? 0) / measure) * facts.netLitres,
      },
    },
    remarks: [
      ...plan.remarks,
      ...(alone > FREE_LIMIT
        ? [
            'Those that live there may bring free ammonia above 0.02 mg/L by themselves: test it before any more come.',
          ]
        : []),
      ...(verified
        ? []
        : [
            'A simulation of this plan goes above 0.02 mg/L of free ammonia: test after each addition, and wait.',
          ]),
    ],
    verified,
    peak: Math.round(peak * 1e4) / 1e4,
  };
}

/** What a small fish makes as it is bought, mg N a day: a clownfish of 4 cm by its body comes to 3.1. */
const SMALL_FISH_N = 3;

function loadToday(problem: PlanProblem): PlanLoad {
  const now = problem.residentAll[MONTH] as number;
  const fish = problem.residentFish[MONTH] as number;
  const base = problem.residentFish[0] as number;
  const doubled = base > 0 ? doubledFrom(base, problem.facts.netLitres) : fish > 0 ? fish : PAIR_N;
  return {
    now,
    feedingLimit: problem.pace.rule === 'doubling' ? now - fish + Math.max(fish, doubled) : null,
    carries: null,
    smallFish: SMALL_FISH_N,
  };
}

function planItem(
  problem: PlanProblem,
  state: PlanState,
  placed: Placed,
  early: Map<number, number | null>,
  late: Map<number, number | null>,
): PlanItem {
  const item = problem.items[placed.item];
  if (!item) throw new RangeError('A plan names only its own wishes.');
  const moment = (day: number | null | undefined) =>
    day === null || day === undefined ? null : momentOf(problem, day);
  const batchDays = state.placed
    .filter(({ tank, batch }) => tank === placed.tank && batch === placed.batch)
    .map(({ day }) => day);
  const { netLitres, home } = problem.facts;
  const outgrows = daysToOutgrow(item.lodger, home.litres ?? netLitres);
  return {
    wishId: item.wishId,
    species: item.animal.id,
    name: item.name,
    count: item.count,
    nitrogen: item.nitrogen[0] ?? 0,
    group: item.animal.group,
    quarantineFrom:
      placed.batch === null
        ? null
        : momentOf(problem, Math.max(0, Math.min(...batchDays) - problem.quarantineDays)),
    batch: placed.batch,
    quarantineTank: placed.tank === null ? null : (problem.tanks[placed.tank]?.name ?? null),
    addOn: {
      p10: moment(minOf(early.get(placed.item), placed.day)),
      p50: momentOf(problem, placed.day),
      p90: moment(maxOf(late.get(placed.item), placed.day)),
    },
    rule: placed.bound.rule,
    because:
      item.override && placed.bound.rule !== 'override'
        ? `${placed.bound.because}. Set aside by you: ${item.reason}`
        : placed.bound.because,
    pinned: item.pinned !== null,
    override: item.override ? item.reason : null,
    rehomeBy: outgrows === null ? null : momentOf(problem, Math.round(placed.day + outgrows / 1.5)),
    cares: [
      ...comers(item)
        .flatMap((one) => homeFindings(one, home))
        .filter(({ severity, rule }) => severity === 'care' && rule !== 'lid')
        .map(({ because }) => because),
      ...besides(problem, state, placed),
      ...comers(item).flatMap(({ animal }) => isolationWords(animal) ?? []),
    ],
  };
}

/** What is said of an item beside those that live there, and beside the rest of the plan. */
function besides(problem: PlanProblem, state: PlanState, placed: Placed): string[] {
  const lodgersOf = (index: number) => {
    const item = problem.items[index];
    return item ? comers(item) : [];
  };
  const others = state.placed.flatMap(({ item }) => (item === placed.item ? [] : lodgersOf(item)));
  const said = lodgersOf(placed.item)
    .flatMap((own) =>
      [...problem.residents, ...others].flatMap((other) =>
        pairFindings(own, other, problem.facts.home),
      ),
    )
    .filter(({ severity }) => severity === 'care')
    .map(({ because }) => because);
  return [...new Set(said)];
}

const minOf = (value: number | null | undefined, day: number) =>
  value === null || value === undefined ? value : Math.min(value, day);
const maxOf = (value: number | null | undefined, day: number) =>
  value === null || value === undefined ? value : Math.max(value, day);
