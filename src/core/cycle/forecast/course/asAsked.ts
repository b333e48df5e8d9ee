import { quantileOfSorted, sortedCopy } from '../../../math/quantile';
import { subset, type Ensemble } from '../../inference/ensemble';
import { HORIZON_DAYS, nowDay, rowsAhead, type Ahead } from './ahead';

/**
 * How much likelier a keeper is to be asking today in a tank that clears on day R of its life, for
 * being asked somewhere on the way and ever oftener towards its end: density 3t²/R³ for a day t
 * before R. Chosen among 0, 1, 2 and 3 on held-out tanks.
 */
const POWER = 3;
/**
 * Share of the way, by the unweighted median, from which that holds in full. Before it the power
 * grows with the way: a keeper in the first days is asking because they began, and would be in a slow
 * tank as well.
 */
const FULL_FROM = 0.9;

/**
 * How much likelier each tank is for being asked about today, by the day on which it clears; and how
 * far on its way it seems to be, 0 to 1. The readings alone say how likely a tank is on a fixed day;
 * but towards the end a day is asked about because the keeper is on the way, and a way twice as long
 * holds each day half as densely. Without this, late dates come out late.
 * @param clears days of the run, none before `now`: a tank already clear is one that clears today
 */
export function weighByAsking(
  clears: readonly number[],
  now: number,
): { way: number; weights: number[] } {
  const way = Math.min(1, now / quantileOfSorted(sortedCopy(clears), 0.5));
  const power = POWER * Math.min(1, way / FULL_FROM);
  return { way, weights: clears.map((day) => day ** -power) };
}

/** The ensemble as it stands for the moment it is asked at. */
export function asAsked(ensemble: Ensemble, ahead: Ahead): { ensemble: Ensemble; ahead: Ahead } {
  const { problem, members } = ensemble;
  const now = nowDay(problem);
  const clears = members.map((_, row) => {
    const clear = Math.max(ahead.ammoniaClears[row] as number, ahead.nitriteClears[row] as number);
    return Math.min(now + 2 * HORIZON_DAYS, Math.max(now, clear, 1));
  });
  const { way, weights } = weighByAsking(clears, now);
  const total = weights.reduce((a, b) => a + b, 0);
  const rows: number[] = [];
  let sum = 0;
  let from = -1;
  for (let i = 0; i < members.length; i += 1) {
    const mark = ((i + 0.5) / members.length) * total;
    while (sum < mark && from < members.length - 1) {
      from += 1;
      sum += weights[from] as number;
    }
    rows.push(from);
  }
  return { ensemble: { ...subset(ensemble, rows), way }, ahead: rowsAhead(ahead, rows) };
}
