import type { CycleProblem } from '../problem/types';
import type { Coordinate } from './coordinates';

export const HYPOTHESIS_IDS = [
  'nothingUnusual',
  'weakDose',
  'deadBottle',
  'filterBacteriaHarmed',
  'unloggedDose',
  'ammoniaKit',
  'nitriteKit',
  'ammoniaKitDead',
  'nitriteKitDead',
] as const;
export type HypothesisId = (typeof HYPOTHESIS_IDS)[number];

/**
 * A story about the tank that the log does not tell. Each brings coordinates of its own and is
 * weighed against the others by how well it foretells the readings.
 */
export interface Hypothesis {
  id: HypothesisId;
  /** Weight before any reading. */
  prior: number;
  extra: Coordinate[];
  /** Index of the kit that is suspected, of those with one. */
  kit: number;
  /** Of a dead kit: the step after which it shows nothing, whatever it is held in. */
  deadAfter?: number;
}

function coordinate(id: string, median: number, sd: number): Coordinate {
  return { id, logMedian: Math.log(median), sd };
}

/** A time within the past, as a coordinate without scale: its z is turned into a share. */
const WHEN: Coordinate = { id: 'when', logMedian: 0, sd: 1 };

/**
 * The stories worth weighing for a problem. The weights before any reading are judgement: most tanks
 * are simply what they look like, and what happens most often weighs most.
 */
export function hypothesesFor(problem: CycleProblem): Hypothesis[] {
  const list: Hypothesis[] = [{ id: 'nothingUnusual', prior: 1, extra: [], kit: -1 }];
  const { additions, kits, observations } = problem;
  if (observations.length < 2) return list;
  const has = (source: string) => additions.some((a) => a.source === source);
  const add = (id: HypothesisId, prior: number, extra: Coordinate[], kit = -1) =>
    list.push({ id, prior, extra, kit });
  if (has('doses')) add('weakDose', 0.05, [coordinate('weakness', 0.35, 0.4)]);
  if (has('bottle')) add('deadBottle', 0.08, [coordinate('deadness', 0.01, 0.8)]);
  add('filterBacteriaHarmed', has('kill') ? 0.1 : 0.03, [WHEN, coordinate('survival', 0.1, 0.7)]);
  add('unloggedDose', 0.04, [WHEN, coordinate('unlogged', 1.2, 0.6)]);
  kits.forEach((kit, index) => {
    if (kit.parameter === 'nitrate' || kit.probe) return;
    const id = kit.parameter === 'ammonia' ? 'ammoniaKit' : 'nitriteKit';
    if (list.some((h) => h.id === id)) return;
    const count = observations.filter((o) => o.kit === index).length;
    if (count < 2) return;
    add(
      id,
      kit.expired ? 0.15 : 0.04,
      [coordinate('kitBias', 1, 0.9), coordinate('kitOffset', 1.5, 0.9)],
      index,
    );
  });
  kits.forEach((kit, index) => {
    if (kit.parameter === 'nitrate' || kit.probe) return;
    const id = kit.parameter === 'ammonia' ? 'ammoniaKitDead' : 'nitriteKitDead';
    const deadAfter = mayBeDeadAfter(problem, index);
    if (deadAfter === null || list.some((h) => h.id === id)) return;
    list.push({ id, prior: kit.expired ? 0.1 : 0.02, extra: [], kit: index, deadAfter });
  });
  return list;
}

/** Zeros of one kit after that from which it may be dead rather than the water clear. */
const ZEROS = 1;
/** Readings above zero that show that a kit works: one may be a vial misread. */
const WORKS = 2;
/**
 * The step after which a kit may have been dead: its one reading above zero, where only zeros followed, or -1
 * where it never showed any; null where nothing speaks for it. A trace that comes once may be the rise of
 * what the kit then showed no more of.
 */
function mayBeDeadAfter({ observations, kits }: CycleProblem, index: number): number | null {
  const own = observations.filter((o) => o.kit === index);
  if ((kits[index]?.shown ?? 0) >= WORKS) return null;
  const last = own.findLast((o) => o.low > 0)?.index ?? -1;
  const zeros = own.filter((o) => o.index > last).length;
  return zeros < ZEROS ? null : last;
}
