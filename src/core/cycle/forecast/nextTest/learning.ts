import { readingWordsOf } from '../words';
import type { Ensemble } from '../../inference/ensemble';
import { BLUNDER_SHARE, chanceOfReading } from '../../inference/reading';
import type { CycleProblem, Nitrogen, ProblemKit } from '../../problem/types';
import type { Ahead } from '../course/ahead';
import { weightedDateRange, wholePercent } from '../dates/dates';
import type { TestOutcome } from '../types';

const BLUNDER = 0.02;

/** A kit at hand; one that has never read has no place in the problem, and so no bias that is known. */
export interface Usable {
  kit: ProblemKit;
  place: number;
}

/** Kits that the keeper has at hand: those that have read, and those that have not yet. */
export function kitsToUse(
  { kits }: CycleProblem,
  atHand: readonly ProblemKit[] | undefined,
): Usable[] {
  const read = kits.flatMap((kit, place) => (kit.probe ? [] : [{ kit, place }]));
  if (!atHand) return read;
  const usable = read.filter(({ kit }) => atHand.some(({ id }) => id === kit.id));
  const fresh = atHand.filter(
    ({ parameter }) => !usable.some((u) => u.kit.parameter === parameter),
  );
  return [...usable, ...fresh.map((kit) => ({ kit, place: -1 }))];
}

export interface Candidate {
  parameter: Nitrogen;
  use: Usable;
  point: number;
  gain: number;
}

/** What the date is uncertain by, on a scale on which a day counts for more the nearer it is. */
export function closeness(days: ArrayLike<number>, now: number): Float64Array {
  return Float64Array.from(days, (day) => Math.log(4 + Math.min(120, Math.max(0, day - now))));
}

export function varianceOf(values: Float64Array, weights: Float64Array): number {
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
export function cellChances(
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

export function gainOf(values: Float64Array, chances: Float64Array[], whole: number): number {
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

/** Outcomes of a test, neighbouring cells with much the same answer joined, rare ones left out. */
export function outcomesOf(
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
