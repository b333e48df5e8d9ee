import { quantileOfSorted } from '../../math/quantile';
import { DAY_MS } from '../../time/zone';
import type { Ensemble, PastCourses } from '../inference/ensemble';
import type { Posterior } from '../inference/posterior';
import { conditionsAt } from '../problem/conditions';
import { NITROGEN, type CycleProblem, type Nitrogen, type ProblemKit } from '../problem/types';
import { freeAmmoniaFraction } from '../../seawater/ammonia';
import { HORIZON_DAYS, nowDay, runAhead, type Ahead } from './course/ahead';
import { asAsked } from './course/asAsked';
import { clearsNow } from './dates/clears';
import { assuranceOf } from './assurance';
import {
  dateRange,
  notBefore,
  datesByShare,
  momentOf,
  NO_DATES,
  rounded,
  valueRange,
  wholePercent,
} from './dates/dates';
import { ensembleOf, infer, type InferOptions } from './posterior';
import { nextTestOf } from './nextTest/nextTest';
import { testAfterSilence } from './nextTest/setTests';
import { withheldBy } from './dates/proving';
import { readiness, type Readiness } from './dates/ready';
import { stallOf } from './stall';
import type { SeriesBand, Forecast, Milestones, ScheduledDose } from './types';
import { whatIfsOf } from './course/whatIf';

export interface ForetellOptions {
  /** Kits at hand, used before or not; those that have read when not given. */
  atHand?: readonly ProblemKit[];
  /** Called with the share done, 0 to 1. */
  progress?: (share: number) => void;
}

export interface ForecastOptions extends ForetellOptions, InferOptions {}

export const DEFAULT_SEED = 1;
/** Days ahead that bands are drawn for. */
const BAND_DAYS = 60;

function bandOf(
  problem: CycleProblem,
  past: PastCourses,
  ahead: Ahead,
  count: number,
  before: (row: number, point: number) => number,
  after: (row: number, point: number) => number,
): SeriesBand {
  const band: SeriesBand = { at: [], p10: [], p50: [], p90: [] };
  const values = new Float64Array(count);
  const push = (day: number, value: (row: number) => number) => {
    for (let row = 0; row < count; row += 1) values[row] = value(row);
    values.sort();
    band.at.push(momentOf(problem, day) ?? 0);
    band.p10.push(rounded(quantileOfSorted(values, 0.1), 3));
    band.p50.push(rounded(quantileOfSorted(values, 0.5), 3));
    band.p90.push(rounded(quantileOfSorted(values, 0.9), 3));
  };
  for (let point = 0; point < past.points; point += 1) {
    push((point * past.every) / problem.stepsPerDay, (row) => before(row, point));
  }
  const days = Math.min(BAND_DAYS * ahead.perDay, ahead.points - 1);
  for (let point = 0; point <= days; point += 1) {
    push(nowDay(problem) + point / ahead.perDay, (row) => after(row, point));
  }
  return band;
}

function bandsOf(ensemble: Ensemble, ahead: Ahead): Forecast['bands'] {
  const { problem, past, members } = ensemble;
  const series = (name: Nitrogen) =>
    bandOf(
      problem,
      past,
      ahead,
      members.length,
      (row, point) => past[name][row * past.points + point] as number,
      (row, point) => ahead[name][row * ahead.points + point] as number,
    );
  const shares = Array.from({ length: past.points }, (_, point) => {
    const { ph, temperature, salinity } = conditionsAt(
      problem,
      (point * past.every) / problem.stepsPerDay,
    );
    return freeAmmoniaFraction(ph, temperature, salinity);
  });
  const [ammonia, nitrite, nitrate] = NITROGEN.map(series) as [SeriesBand, SeriesBand, SeriesBand];
  return {
    ammonia,
    nitrite,
    nitrate,
    free: bandOf(
      problem,
      past,
      ahead,
      members.length,
      (row, point) =>
        (past.ammonia[row * past.points + point] as number) *
        Math.min(1, (shares[point] ?? 0) * (members[row]?.free ?? 1)),
      (row, point) => ahead.free[row * ahead.points + point] as number,
    ),
  };
}

function scheduledDoses(ensemble: Ensemble, ready: Readiness): ScheduledDose[] {
  const most = Math.max(0, ...ready.doses.map((d) => d.length));
  const list: ScheduledDose[] = [];
  for (let n = 0; n < most; n += 1) {
    const days = ready.doses.flatMap((d) => d[n] ?? []);
    const probability = days.length / ready.doses.length;
    // A dose that hardly any tank needs would only lengthen the list.
    if (probability < 0.1) break;
    const { p10, p50, p90 } = dateRange(ensemble, days);
    list.push({
      p10,
      p50,
      p90,
      rise: rounded(ensemble.problem.facts.proof.rise, 3),
      probability: wholePercent(probability),
    });
  }
  return list;
}

function milestonesFrom(ensemble: Ensemble, ahead: Ahead, ready: Readiness): Milestones {
  if (!ensemble.problem.fed) {
    return { ammoniaClears: NO_DATES, nitriteClears: NO_DATES, ready: NO_DATES };
  }
  const { problem } = ensemble;
  /** The last moment at which a reading that is likely no slip was above zero, ms. */
  const lastAbove = (parameters: readonly Nitrogen[]) =>
    problem.observations.reduce(
      (last, o) =>
        parameters.includes(o.parameter) && o.low > 0 && o.weight === 1
          ? Math.max(last, problem.origin + (o.index / problem.stepsPerDay) * DAY_MS)
          : last,
      problem.origin,
    );
  return {
    ammoniaClears: notBefore(dateRange(ensemble, ahead.ammoniaClears), lastAbove(['ammonia'])),
    nitriteClears: notBefore(dateRange(ensemble, ahead.nitriteClears), lastAbove(['nitrite'])),
    // A tank is ready from now on at the soonest, whenever it came to be.
    ready: notBefore(dateRange(ensemble, ready.days), problem.at),
  };
}

/**
 * The forecast of a problem: infers the tank from its readings and foretells from that. The same
 * problem and seed give the same answer, in a browser and on the command line.
 */
export function forecastOf(problem: CycleProblem, options: ForecastOptions): Forecast {
  const { atHand, progress } = options;
  const posterior = infer(problem, { ...options, progress: (share) => progress?.(0.9 * share) });
  return foretell(posterior, {
    atHand,
    progress: (share) => progress?.(0.9 + 0.1 * share),
  });
}

/**
 * Runs what is likely ahead of a posterior, with nothing more dosed than the chosen rule for done itself
 * asks for, and says what it comes to: dates, causes, the next test.
 */
export function foretell(posterior: Posterior, options: ForetellOptions = {}): Forecast {
  const { atHand, progress } = options;
  const { problem, seed } = posterior;
  const misfit = posterior.steppedBack !== null;
  let inferred = ensembleOf(posterior, 'trusting');
  let course = runAhead(inferred);
  const stall = problem.fed ? stallOf(inferred, course) : [];
  if (misfit) {
    inferred = ensembleOf(posterior, 'steppedBack');
    course = runAhead(inferred);
  }
  const assurance = assuranceOf(inferred);
  const withheld = withheldBy(problem, assurance);
  const { ensemble, ahead } = asAsked(inferred, course);
  const ready = readiness(ensemble, ahead, withheld);
  const milestones = milestonesFrom(ensemble, ahead, ready);
  progress?.(0.5);
  const clears = clearsNow(problem, ensemble.members);
  const lastDay = BAND_DAYS * ahead.perDay;
  const alkalinity = ensemble.members.map(
    (_, row) => ahead.alkalinity[row * ahead.points + lastDay] as number,
  );
  const nextTest = problem.fed
    ? nextTestOf(ensemble, ahead, ready.days, atHand, withheld, assurance.proof)
    : problem.windowed
      ? testAfterSilence(problem)
      : null;
  // What the next test is to settle is not settled before it.
  const settles = withheld !== null || problem.facts.failed || nextTest?.purpose === 'challenge';
  const shown = settles && nextTest ? nextTest.at : problem.at;
  const forecast: Forecast = {
    tankId: problem.tankId,
    at: problem.at,
    seed,
    until: problem.at + HORIZON_DAYS * DAY_MS,
    fed: problem.fed,
    milestones: { ...milestones, ready: notBefore(milestones.ready, shown) },
    readyBy: problem.fed ? datesByShare(ensemble, ready.days) : [],
    scheduledDoses: problem.fed ? scheduledDoses(ensemble, ready) : [],
    clears: { ammonia: valueRange(clears.ammonia), nitrite: valueRange(clears.nitrite) },
    capacity: {
      ammonia: valueRange(ensemble.members.map((m) => m.now.capacityA)),
      nitrite: valueRange(ensemble.members.map((m) => m.now.capacityB)),
    },
    bands: bandsOf(ensemble, ahead),
    alkalinity: { ...valueRange(alkalinity), inDays: BAND_DAYS },
    nextTest,
    stall,
    misfit,
    assurance,
    whatIfs: problem.fed ? whatIfsOf(ensemble) : [],
    kits: problem.kits.map((kit, index) => ({
      kitId: kit.id,
      name: kit.name,
      parameter: kit.parameter,
      bias: valueRange(ensemble.members.map((m) => m.bias[index] as number)),
    })),
    doseStrength: problem.additions.some((a) => a.source === 'doses')
      ? valueRange(ensemble.members.map((m) => m.strength))
      : null,
    hypotheses: ensemble.fits.map((f) => ({
      id: f.hypothesis.id,
      probability: wholePercent(f.probability),
    })),
    remarks: problem.remarks,
    readings: problem.observations.length,
  };
  progress?.(1);
  return forecast;
}
