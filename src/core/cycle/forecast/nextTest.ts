import { schoolOf } from '../schools';
import { quantileOfSorted, sortedCopy } from '../../math/quantile';
import { readingWordsOf } from './words';
import { DAY_MS } from '../../time/zone';
import type { Ensemble } from '../inference/ensemble';
import { BLUNDER_SHARE, chanceOfReading } from '../inference/model';
import type { CycleProblem, Nitrogen, Observation, ProblemKit } from '../problem/types';
import { nowDay, type Ahead } from './ahead';
import { weightedDateRange, wholePercent } from './dates';
import type { NextTest, TestOutcome } from './types';

/** Days ahead for which a test is weighed. */
const LOOK_DAYS = 14;
/** Share of the uncertainty that a test must be expected to take to be worth its reagent. */
const WORTH = 0.12;
/** The date known to this is known well enough, sd of the log of four days and what is left. */
const CERTAIN = 0.25;
/** The earliest test with this share of the best gain is taken: waiting costs days too. */
const NEARLY_BEST = 0.7;
/** Days after any test before which another is not worth its reagent, and after one that was no zero. */
const GAP_DAYS = 1.5;
const NOT_YET_DAYS = 2;
/** Chance of being clear from which a test is asked for as proof. */
const LIKELY_CLEAR = 0.75;
const BLUNDER = 0.02;

/** A kit at hand; one that has never read has no place in the problem, and so no bias that is known. */
interface Usable {
  kit: ProblemKit;
  place: number;
}

/** Kits that the keeper has at hand: those that have read, and those that have not yet. */
function kitsToUse({ kits }: CycleProblem, atHand: readonly ProblemKit[] | undefined): Usable[] {
  const read = kits.map((kit, place) => ({ kit, place }));
  if (!atHand) return read;
  const usable = read.filter(({ kit }) => atHand.some(({ id }) => id === kit.id));
  const fresh = atHand.filter(
    ({ parameter }) => !usable.some((u) => u.kit.parameter === parameter),
  );
  return [...usable, ...fresh.map((kit) => ({ kit, place: -1 }))];
}

interface Candidate {
  parameter: Nitrogen;
  use: Usable;
  point: number;
  gain: number;
}

/** What the date is uncertain by, on a scale on which a day counts for more the nearer it is. */
function closeness(days: ArrayLike<number>, now: number): Float64Array {
  return Float64Array.from(days, (day) => Math.log(4 + Math.min(120, Math.max(0, day - now))));
}

function varianceOf(values: Float64Array, weights: Float64Array): number {
  let total = 0;
  let mean = 0;
  for (let i = 0; i < values.length; i += 1) {
    total += weights[i] as number;
    mean += (weights[i] as number) * (values[i] as number);
  }
  if (total <= 0) return 0;
  mean /= total;
  let sum = 0;
  for (let i = 0; i < values.length; i += 1) {
    const off = (values[i] as number) - mean;
    sum += (weights[i] as number) * off * off;
  }
  return sum / total;
}

/** The cells that a test could be read in: the card's steps, or for a meter a set of even parts. */
export function cellsOf(kit: ProblemKit): { low: number; high: number; words: number }[] {
  const steps = kit.card ? kit.steps : [0, 0.05, 0.1, 0.2, 0.4, 0.8, 1.6];
  return steps.map((step, i) => ({
    low: i === 0 ? 0 : ((steps[i - 1] ?? step) + step) / 2,
    high: i === steps.length - 1 ? Infinity : (step + (steps[i + 1] ?? step)) / 2,
    words: step,
  }));
}

/** Chance of each cell for each member, were a kit used at `point`: rows of cells. */
function cellChances(
  ensemble: Ensemble,
  ahead: Ahead,
  { kit, place }: Usable,
  point: number,
): { cells: ReturnType<typeof cellsOf>; chances: Float64Array[] } {
  const cells = cellsOf(kit);
  // A meter's cells are read as a card would be, with its own error as a share.
  const reader = kit.card ? kit : { card: true, half: kit.half, sigma: 0.15 };
  const series = ahead[kit.parameter];
  const chances = cells.map(() => new Float64Array(ensemble.members.length));
  ensemble.members.forEach((member, row) => {
    const shown =
      (series[row * ahead.points + point] as number) * kit.perN * (member.bias[place] ?? 1) +
      (member.offset[place] ?? 0);
    cells.forEach((cell, c) => {
      const chance = chanceOfReading(reader, shown, cell.low, cell.high, 1, member.spread);
      (chances[c] as Float64Array)[row] = (1 - BLUNDER) * chance + BLUNDER * BLUNDER_SHARE;
    });
  });
  return { cells, chances };
}

function gainOf(values: Float64Array, chances: Float64Array[], whole: number): number {
  if (whole <= 1e-9) return 0;
  let left = 0;
  let total = 0;
  for (const weights of chances) {
    const mass = weights.reduce((a, b) => a + b, 0);
    left += mass * varianceOf(values, weights);
    total += mass;
  }
  return Math.max(0, 1 - left / total / whole);
}

/** Share of the members in which both are clear for good by a day of the run. */
export function chanceClear(ahead: Ahead, parameter: 'ammonia' | 'nitrite', day: number): number {
  const clears = parameter === 'ammonia' ? ahead.ammoniaClears : ahead.nitriteClears;
  let count = 0;
  for (const at of clears) if (at <= day) count += 1;
  return count / clears.length;
}

/** Outcomes of a test, neighbouring cells with much the same answer joined, rare ones left out. */
function outcomesOf(
  ensemble: Ensemble,
  days: Float64Array,
  cells: ReturnType<typeof cellsOf>,
  chances: Float64Array[],
  kit: ProblemKit,
): TestOutcome[] {
  const order = Array.from(days.keys()).sort((a, b) => (days[a] as number) - (days[b] as number));
  const groups: { from: number; to: number; weights: Float64Array; mass: number }[] = [];
  const total = ensemble.members.length;
  chances.forEach((weights, c) => {
    const mass = weights.reduce((a, b) => a + b, 0) / total;
    const last = groups.at(-1);
    // Small cells join their neighbour, so that at most three answers need to be read.
    if (last && (mass < 0.12 || last.mass < 0.12)) {
      last.to = c;
      last.mass += mass;
      last.weights = last.weights.map((w, i) => w + (weights[i] as number));
    } else groups.push({ from: c, to: c, weights: weights.slice(), mass });
  });
  while (groups.length > 3) {
    let least = 0;
    for (let i = 1; i + 1 < groups.length; i += 1) {
      const sum = (at: number) => (groups[at]?.mass ?? 0) + (groups[at + 1]?.mass ?? 0);
      if (sum(i) < sum(least)) least = i;
    }
    const [a, b] = [groups[least], groups[least + 1]];
    if (!a || !b) break;
    a.to = b.to;
    a.mass += b.mass;
    a.weights = a.weights.map((w, i) => w + (b.weights[i] as number));
    groups.splice(least + 1, 1);
  }
  return groups.map((group) => ({
    words: readingWordsOf(cells, group.from, group.to, kit),
    probability: wholePercent(group.mass),
    ready: weightedDateRange(ensemble, days, group.weights, order),
  }));
}

/**
 * The test that would teach most about the ready date for its reagent, found by playing every test
 * of the coming days on the ensemble: for each step that could be read, what would be left of the
 * uncertainty. Once both are likely clear, the test that shows it.
 * @param days ready date of each member, day of the run
 * @param atHand kits that the keeper has at hand, used before or not; those that have read when not given
 * @param withheld what the forecast would still withhold from a verdict
 */
export function nextTestOf(
  ensemble: Ensemble,
  ahead: Ahead,
  days: Float64Array,
  atHand?: readonly ProblemKit[],
  withheld: Withheld = null,
): NextTest | null {
  const { problem } = ensemble;
  const usable = kitsToUse(problem, atHand);
  const now = nowDay(problem);
  const values = closeness(days, now);
  const ones = new Float64Array(values.length).fill(1);
  const whole = varianceOf(values, ones);
  const sd = Math.sqrt(whole);
  const candidates: Candidate[] = [];
  const best: Partial<Record<Nitrogen, number>> = {};
  for (const use of usable) {
    const { kit } = use;
    if (kit.parameter === 'nitrate') continue;
    for (let point = 0; point <= LOOK_DAYS * ahead.perDay; point += ahead.perDay) {
      const { chances } = cellChances(ensemble, ahead, use, point);
      const gain = gainOf(values, chances, whole);
      candidates.push({ parameter: kit.parameter, use, point, gain });
      best[kit.parameter] = Math.max(best[kit.parameter] ?? 0, gain);
    }
  }
  if (candidates.length === 0) return null;
  const top = Math.max(...candidates.map((c) => c.gain));
  // With the date known well enough there is little left to learn: only to show.
  const certain = sd < CERTAIN;
  const confirm = confirmation(problem, ahead, now, usable);
  const soonest = pointsAfter(
    lastTest(problem, () => true),
    GAP_DAYS,
    now,
    ahead,
  );
  const learn =
    certain || top < WORTH
      ? undefined
      : candidates
          .filter((c) => c.gain >= NEARLY_BEST * top && c.gain >= WORTH && c.point >= soonest)
          .sort((a, b) => a.point - b.point || b.gain - a.gain)[0];
  const show = showing(problem, ahead, usable);
  const proof = proving(problem, withheld, ahead, usable);
  const [chosen] = [
    ...(learn ? [{ ...learn, purpose: 'learn' as const }] : []),
    ...(confirm && !proof ? [{ ...confirm, purpose: 'confirm' as const }] : []),
    ...(show ? [{ ...show, purpose: 'show' as const }] : []),
    ...(proof ? [proof] : []),
  ].sort((a, b) => a.point - b.point);
  if (!chosen) return null;
  const { kit } = chosen.use;
  const found = cellChances(ensemble, ahead, chosen.use, chosen.point);
  const inDays = chosen.point / ahead.perDay;
  const { purpose } = chosen;
  const single = purpose === 'learn' || purpose === 'show';
  const parameters: Nitrogen[] = single ? [chosen.parameter] : ['ammonia', 'nitrite'];
  const outcomes = outcomesOf(ensemble, days, found.cells, found.chances, kit);
  return {
    parameter: chosen.parameter,
    parameters,
    at: problem.at + inDays * DAY_MS,
    inDays,
    because: becauseOf(problem, chosen, purpose, ahead, now),
    gain: wholePercent(chosen.gain),
    purpose,
    outcomes,
    idle: (['ammonia', 'nitrite'] as const).filter(
      (p) => !parameters.includes(p) && best[p] !== undefined && (best[p] ?? 0) < WORTH,
    ),
  };
}

/** The test of a tank of which nothing recent is known, not even whether there is ammonia in it. */
export function testAfterSilence(problem: CycleProblem): NextTest {
  return {
    parameter: 'ammonia',
    parameters: ['ammonia'],
    at: problem.at,
    inDays: 0,
    because: 'Nothing recent says what is in the water. One reading begins the forecast anew.',
    gain: 0,
    purpose: 'learn',
    outcomes: [],
    idle: [],
  };
}

/**
 * When tests have shown both at zero, the day on which the school asks to see it again; null where it
 * asks for something else, or for nothing more.
 */
function shownAgainOn({ school, facts, zone, origin }: CycleProblem): number | null {
  if (facts.shownSince === null) return null;
  const at = schoolOf(school).shownAgainAt?.(school, facts, zone) ?? null;
  return at === null ? null : (at - origin) / DAY_MS;
}

/**
 * The earliest day on which both are likely clear, as a test of the one that clears last: a zero of
 * the other shows nothing while this one stands. Once shown, the day on which the school asks again.
 */
function confirmation(
  problem: CycleProblem,
  ahead: Ahead,
  now: number,
  usable: readonly Usable[],
): Candidate | undefined {
  const has = (p: Nitrogen) => usable.find(({ kit }) => kit.parameter === p);
  const middle = (clears: Float64Array) => quantileOfSorted(sortedCopy(clears), 0.5);
  const last = middle(ahead.ammoniaClears) > middle(ahead.nitriteClears) ? 'ammonia' : 'nitrite';
  const other = last === 'ammonia' ? 'nitrite' : 'ammonia';
  const parameter = has(last) ? last : other;
  const use = has(parameter);
  if (!use) return undefined;
  const clearBy = (day: number) =>
    Math.min(chanceClear(ahead, 'ammonia', day), chanceClear(ahead, 'nitrite', day));
  if (problem.facts.shownSince !== null && clearBy(now) >= LIKELY_CLEAR) {
    const again = shownAgainOn(problem);
    const point = Math.max(0, Math.ceil((again ?? 0) - now)) * ahead.perDay;
    return again === null || point >= ahead.points ? undefined : { parameter, use, point, gain: 0 };
  }
  // One that was no zero is not gone by the next morning.
  const soonest = pointsAfter(
    lastTest(problem, (o) => o.low > 0),
    NOT_YET_DAYS,
    now,
    ahead,
  );
  for (let point = soonest; point < ahead.points; point += ahead.perDay) {
    if (clearBy(now + point / ahead.perDay) >= LIKELY_CLEAR) {
      return { parameter, use, point, gain: 0 };
    }
  }
  return undefined;
}

/** Day of the run of the last test of ammonia or nitrite that is such; −∞ without one. */
function lastTest(
  { observations, stepsPerDay }: CycleProblem,
  such: (o: Observation) => boolean,
): number {
  const tests = observations.filter((o) => o.parameter !== 'nitrate' && such(o));
  return Math.max(-Infinity, ...tests.map((o) => o.index / stepsPerDay));
}

/** The first whole day ahead, as a point, that lies so many days after a day of the run. */
function pointsAfter(day: number, gap: number, now: number, ahead: Ahead): number {
  return Math.max(0, Math.ceil(day + gap - now - 0.2)) * ahead.perDay;
}

/** Nitrite that no reader takes for a misread zero, mg N/L: twice what one reading of it must show. */
const PLAINLY_THERE = 0.3;
/** Chance of it from which a test is asked for to have seen it. */
const LIKELY_THERE = 0.7;

/** The first day on which nitrite is likely plain to see, where no test has shown it yet. */
function showing(
  { facts }: CycleProblem,
  ahead: Ahead,
  usable: readonly Usable[],
): Candidate | undefined {
  const use = usable.find(({ kit }) => kit.parameter === 'nitrite');
  if (facts.nitriteShown || !use) return undefined;
  const tanks = ahead.nitriteClears.length;
  for (let point = 0; point < ahead.points; point += ahead.perDay) {
    let count = 0;
    for (let row = 0; row < tanks; row += 1) {
      count += Number((ahead.nitrite[row * ahead.points + point] as number) >= PLAINLY_THERE);
    }
    if (count / tanks >= LIKELY_THERE) return { parameter: 'nitrite', use, point, gain: 0 };
  }
  return undefined;
}

/** What the forecast would still withhold from a verdict, if tests show all they can: see `agreement`. */
export type Withheld = 'stays' | 'dose' | null;

/**
 * Where both were shown at zero and yet it is not enough, because nitrite was never caught or the
 * forecast does not agree: a dose, and both tested a day later. With an animal in, no dose: tests.
 */
function proving(
  problem: CycleProblem,
  withheld: Withheld,
  ahead: Ahead,
  usable: readonly Usable[],
): (Candidate & { purpose: 'challenge' | 'confirm' }) | undefined {
  const use = usable.find(({ kit }) => kit.parameter === 'nitrite') ?? usable[0];
  const { facts, animals } = problem;
  if (facts.shownSince === null || !use || use.kit.parameter === 'nitrate') return undefined;
  if (facts.nitriteShown && withheld === null) return undefined;
  const purpose = animals || (facts.nitriteShown && withheld === 'stays') ? 'confirm' : 'challenge';
  const point = (purpose === 'challenge' ? 1 : 2) * ahead.perDay;
  return { parameter: 'nitrite', use, point, gain: 0, purpose };
}

function becauseOf(
  { facts }: CycleProblem,
  chosen: Candidate,
  purpose: NextTest['purpose'],
  ahead: Ahead,
  now: number,
): string {
  const day = now + chosen.point / ahead.perDay;
  const name = chosen.parameter;
  if (purpose === 'challenge') {
    return facts.nitriteShown
      ? 'Both read zero, but the forecast is not sure that a load is carried. Dose 2 ppm of ammonia now and test both a day later.'
      : 'Nitrite was never caught above zero. Dose 2 ppm of ammonia now and test both a day later: it shows nitrite, or that it is gone.';
  }
  if (purpose === 'show') {
    return 'Nitrite is likely there by then. A reading of it shows that the chain runs, and it may not be there for long.';
  }
  if (purpose === 'confirm' && facts.shownSince !== null) {
    return 'Your school asks to see both at zero again then.';
  }
  if (purpose === 'confirm') {
    const chance = chanceClear(ahead, name as 'nitrite', day);
    return `${chosen.point === 0 ? 'It' : `By then ${name}`} is likely clear (${tenths(chance)}), and a zero would show it.`;
  }
  const share = tenths(chosen.gain);
  return `It is expected to take away ${share === '0 in 10' ? 'a little' : `about ${share}`} of what is uncertain about the ready date, more than ${chosen.point === 0 ? 'any other test now' : 'any earlier test'}.`;
}

/** "7 in 10". */
export function tenths(share: number): string {
  return `${Math.round(share * 10)} in 10`;
}
