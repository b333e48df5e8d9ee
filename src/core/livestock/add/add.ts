import { isolationWords } from '../../quarantine/clock/isolation';
import { FOLLOW_DAYS, FREE_LIMIT } from '../../cycle/forecast/capacity';
import { carry, type Carried } from '../../cycle/forecast/course/carry';
import type { Posterior } from '../../cycle/inference/posterior';
import { formatSignificant } from '../../units/format';
import type { NextBest } from '../../nextBest';
import { nitrogenOf } from '../food/bioload';
import { CATALOGUE } from '../catalogue';
import { INSTEAD, likeIt, ONE_OF_TWO, OWN_TANK, type Refused } from './instead';
import { usualCm } from '../body';
import { judgeNewcomers } from '../compatibility/judge';
import { callIt, type Finding } from '../compatibility/types';
import { fedScale } from '../planner/search/loads';
import { planProblem, standingOf } from '../planner/problem';
import { emptyState, heldBecause, heldOn } from '../planner/search/place';
import { modelMeasure, planFrom, tankCurve } from '../planner/plan';
import type { StockFacts } from '../planner/facts';
import type { PlanItem } from '../planner/types';
import { finderWith, cohortNitrogen, residentsOf, unnamedWords } from '../roster/lodgers';

/** What is asked about: so many of one kind, today. */
export interface AddQuestion {
  species: string;
  count: number;
  sizeCm?: number;
}

/** Why not, or not yet. */
export interface Barrier {
  rule: Refused;
  because: string;
  mend: string;
  instead?: NextBest;
}

/** Whether it can be added today, and what follows. */
export interface AddAnswer {
  answer: 'yes' | 'no' | 'wait';
  species: string;
  name: string;
  count: number;
  /** The day it becomes yes, ms; null where it is yes, or where no day is known. */
  until: number | null;
  rule: Barrier['rule'] | 'fits';
  because: string;
  /** All that stands against it, what binds first. */
  barriers: Barrier[];
  /** Of a no or a not yet: what is done instead, and what that costs. */
  instead: NextBest[];
  /** Of a no: animals like it that nothing here stands against, by id. */
  likeIt: string[];
  /** What must be seen to though it is allowed. */
  cares: Finding[];
  /** Ammonia nitrogen it makes, and what is made now, mg a day. */
  nitrogen: { now: number; added: number };
  /** Peak of free ammonia within three weeks, mg NH3-N/L; null without a posterior. */
  peak: { p50: number; p90: number } | null;
  /** When the tank has settled again, ms. */
  passesAt: number | null;
  /** How many of it could be added today at most. */
  most: number;
  /** Days of quarantine before it may come in; 0 for none. */
  quarantineDays: number;
  /** What the answer leaves open. */
  remarks: string[];
}

/** More of one kind than anybody adds in a day. */
const MOST_ASKED = 30;

/** When the upper course has settled: within a tenth of where it ends, after its peak. */
function settledAt({ points }: Carried): number | null {
  const last = points.at(-1);
  if (!last) return null;
  const top = points.reduce(
    (best, { free }, i) => (free.p90 > (points[best]?.free.p90 ?? 0) ? i : best),
    0,
  );
  const from = points.findIndex(
    ({ free }, i) => i >= top && free.p90 <= last.free.p90 * 1.1 + 1e-4,
  );
  return points[from]?.at ?? null;
}

/** Gates that stand before any fish: what must be done, not waited for. */
function gates(facts: StockFacts, fish: boolean): Barrier[] {
  const list: Barrier[] = [];
  if (fish && facts.home.lid === false) {
    list.push({
      rule: 'lid',
      because: 'There is no lid, and every new fish jumps.',
      mend: 'Fit a lid or mesh, and log it.',
    });
  }
  if (fish && !facts.heater) {
    list.push({
      rule: 'heater',
      because: 'The heater was never checked against a thermometer.',
      mend: 'Check it, and log it.',
    });
  }
  return list;
}

/**
 * Can so many of a kind be added today? Gates, company, pace and what the filter carries are asked
 * in this order; what binds first is the reason. Quarantine comes before the tank and is no part of
 * the answer: its days are said beside it.
 * @throws RangeError for an animal that nobody knows
 */
export function canAdd(
  facts: StockFacts,
  posterior: Posterior | null,
  { species, count, sizeCm }: AddQuestion,
): AddAnswer {
  const find = finderWith(facts.own);
  const animal = find(species);
  if (!animal) throw new RangeError(`There is no animal called "${species}".`);
  const cm = sizeCm ?? usualCm(animal);
  const fish = animal.group === 'fish';
  const { cohorts } = facts;
  const residents = residentsOf(cohorts, facts.at, find);
  const scale = fedScale(facts, find);
  const now =
    scale * cohorts.reduce((sum, cohort) => sum + cohortNitrogen(cohort, facts.at, find), 0);
  const each = scale * nitrogenOf(animal, cm);

  const findingsFor = (number: number) =>
    judgeNewcomers(
      [{ animal, count: number, ...(cm > 0 ? { sizeCm: cm } : {}) }],
      residents,
      facts.home,
    ).filter(({ rule }) => rule !== 'lid');
  const wished = (number: number): StockFacts => ({
    ...facts,
    // Asked as if it were clear: the tank is asked, not its quarantine.
    stocking: { ...facts.stocking, protocol: 'none' },
    wishes: [
      {
        id: 'asked',
        tankId: facts.tankId,
        species,
        count: number,
        order: 0,
        ...(sizeCm === undefined ? {} : { sizeCm }),
      },
    ],
  });
  const measure = posterior ? modelMeasure(facts, posterior, now) : 1;
  const carried = (number: number): Carried | null =>
    posterior &&
    carry(
      posterior,
      [{ fromDay: 0, nitrogen: (measure * (now + each * number)) / facts.netLitres }],
      FOLLOW_DAYS,
    );

  /** What of time and pace keeps so many from today. */
  const timed = (number: number): Barrier[] => {
    const problem = planProblem(standingOf(wished(number)));
    const item = problem.items[0];
    if (!item) return [];
    const bounds = item.bounds
      .filter(({ day, rule }) => day > 0 && rule !== 'today')
      .sort((a, b) => b.day - a.day)
      .map(({ rule, because }) => ({ rule, because: `${because}.`, mend: 'Wait until then.' }));
    const empty = emptyState(problem);
    const held = heldOn(problem, empty, item, 0);
    return [
      ...bounds,
      ...(held
        ? [
            {
              rule: held,
              because: `${heldBecause(problem, empty, held)}.`,
              mend: held === 'first' ? 'One or two small fish first.' : 'Fewer of them, or later.',
            },
          ]
        : []),
    ];
  };
  const overloads = (number: number): Barrier[] => {
    const peak = carried(number)?.peakFree.p90;
    if (peak === undefined || peak <= FREE_LIMIT) return [];
    return [
      {
        rule: 'capacity',
        because: `Free ammonia could reach ${formatSignificant(peak)} mg/L; animals live at ease under ${FREE_LIMIT}.`,
        mend: 'Fewer of them, or feed less and test ammonia for some days.',
      },
    ];
  };
  const barriersFor = (number: number): Barrier[] => {
    const times = timed(number);
    return [
      ...findingsFor(number).filter(({ severity }) => severity === 'no'),
      ...times.filter(({ rule }) => rule === 'ready'),
      ...gates(facts, fish),
      ...times.filter(({ rule }) => rule !== 'ready'),
      ...overloads(number),
    ];
  };

  const barriers = barriersFor(count);
  const course = carried(count);
  const [first] = barriers;
  // What is to be done meanwhile does not stand against a date that time alone sets.
  const waits = barriers.some(({ rule }) => WAITS.has(rule));
  const hard = !waits || barriers.some(({ rule }) => !WAITS.has(rule) && !TO_DO.has(rule));
  const ahead = !first || hard ? undefined : whenItBecomesYes(wished(count), posterior, now);
  const until = ahead?.addOn.p50 ?? null;
  // Of several things to wait for the last one to lift is the reason.
  const last = ahead && barriers.find(({ rule }) => rule === ahead.rule);
  return {
    answer: !first ? 'yes' : until === null ? 'no' : 'wait',
    species: animal.id,
    name: callIt(animal),
    count,
    until,
    rule: (last ?? first)?.rule ?? 'fits',
    because: (last ?? first)?.because ?? fitsBecause(animal.group, course),
    barriers,
    instead: first ? insteadOf(barriers, until) : [],
    likeIt:
      until === null && isForGood(barriers)
        ? likeIt(animal, CATALOGUE, residents, facts.home).map(({ id }) => id)
        : [],
    cares: findingsFor(count).filter(({ severity }) => severity === 'care'),
    nitrogen: { now, added: each * count },
    peak: course?.peakFree ?? null,
    passesAt: course ? settledAt(course) : null,
    most: largest((number) => barriersFor(number).length === 0),
    quarantineDays: fish ? facts.quarantineDays : 0,
    remarks: [
      isolationWords(animal),
      unnamedWords(cohorts, find),
      untestedWords(posterior),
    ].flatMap((text) => text ?? []),
  };
}

/** From more than so many that it cannot live with, nobody gives one up for it. */
const FEW = 2;

/** What is done instead of each thing that stands against it, and at last what is always open. */
function insteadOf(barriers: readonly Barrier[], until: number | null): NextBest[] {
  // Of what never becomes yes no row speaks of a day.
  const hard = barriers.filter(({ rule }) => !WAITS.has(rule));
  const telling = until === null && hard.length > 0 ? hard : barriers;
  const rows = telling.map(({ rule, instead }) => instead ?? INSTEAD[rule]);
  const against = rows.filter((row) => row === ONE_OF_TWO).length;
  const whats = new Set<string>();
  const own = rows
    .map((row) => (row === ONE_OF_TWO && against > FEW ? OWN_TANK : row))
    .filter(({ what }) => !whats.has(what) && whats.add(what));
  return until === null && isForGood(barriers)
    ? [...own, { what: 'Do not buy it.', price: 'A trip for nothing, and nothing lost.' }]
    : own;
}

/** Whether something stands against it that neither time nor an hour's work lifts. */
const isForGood = (barriers: readonly Barrier[]) =>
  barriers.some(({ rule }) => !WAITS.has(rule) && !TO_DO.has(rule));

/** What time alone lifts. */
const WAITS: ReadonlySet<Barrier['rule']> = new Set([
  'ready',
  'maturity',
  'pods',
  'alkalinity',
  'algae',
  'doubling',
  'interval',
  'capacity',
]);

/** What is mended in an hour. */
const TO_DO: ReadonlySet<Barrier['rule']> = new Set(['lid', 'heater']);

function fitsBecause(group: string, course: Carried | null): string {
  if (group === 'coral') {
    return 'It makes next to no ammonia, and nothing that lives here stands against it.';
  }
  if (!course) return 'Company and pace allow it; nothing is known of what the filter carries.';
  return 'Company, pace and what the filter carries all allow it.';
}

function whenItBecomesYes(
  facts: StockFacts,
  posterior: Posterior | null,
  now: number,
): PlanItem | undefined {
  const curve = posterior ? tankCurve(facts, posterior, now) : null;
  return planFrom(facts, curve).items[0];
}

/** The largest number that passes, where fewer pass as well; 0 where one is too many. */
function largest(passes: (number: number) => boolean): number {
  if (!passes(1)) return 0;
  let low = 1;
  let high = MOST_ASKED + 1;
  while (high - low > 1) {
    const middle = (low + high) >> 1;
    if (passes(middle)) low = middle;
    else high = middle;
  }
  return low;
}

/** A test of ammonia older than this says little of what the filter clears now, days. */
const SPEAKS_DAYS = 30;

function untestedWords(posterior: Posterior | null): string | null {
  if (!posterior) return null;
  const { problem } = posterior;
  const last = problem.observations
    .filter(({ parameter }) => parameter === 'ammonia')
    .reduce((newest, { index }) => Math.max(newest, index), -1);
  const days = last < 0 ? Infinity : (problem.steps - last) / problem.stepsPerDay;
  if (days <= SPEAKS_DAYS) return null;
  return 'No ammonia test of the last month says what the filter clears: these figures are from the low end. Test ammonia a few hours after a good feeding, and they become surer.';
}
