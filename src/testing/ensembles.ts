import { inferEnsemble, type Ensemble, type Member } from '../core/cycle/inference/ensemble';
import type { HypothesisId } from '../core/cycle/inference/hypotheses';
import { typicalParameters, type Seed } from '../core/cycle/kinetics/parameters';
import type { CycleState } from '../core/cycle/kinetics/state';
import { cycleProblem } from '../core/cycle/problem/problem';
import type { CycleProblem } from '../core/cycle/problem/types';
import { tankHistory } from '../core/history/derive';
import { DAY, FILLED, LogBuilder, type TestTank } from './logBuilder';

/** The instant of a day of a test tank's life, at its midnight. */
export const day = (n: number) => FILLED + n * DAY;
/** The day of a test tank's life of an instant; Infinity for one that does not come. */
export const dayOf = (ms: number | null) => (ms === null ? Infinity : (ms - FILLED) / DAY);

/** The problem of a small log on a day. */
export function problemOn(
  at: number,
  build: (log: LogBuilder) => void = () => undefined,
  tank: Partial<TestTank> = {},
): CycleProblem {
  const log = new LogBuilder(tank);
  build(log);
  return cycleProblem(tankHistory(log.log(), log.tankId, day(at)), day(at));
}

/** The problem of a tank whose ammonia was gone the day before, and whose nitrite read so (ppm). */
export function clearingOn(at: number, nitrite = 2): CycleProblem {
  return problemOn(
    at,
    (log) => {
      log.dose(day(1), 1.6);
      log.ammonia(day(at - 1), 0);
      log.nitrite(day(at - 1), nitrite);
      log.nitrate(day(at - 1), 10);
    },
    { doneRule: { rule: 'bothZero' } },
  );
}

/** What a test says of one tank of an ensemble; the rest is typical, the water clean. */
export interface Told {
  seed?: Seed;
  parameters?: Partial<Member['parameters']>;
  now?: Partial<CycleState>;
  bias?: number[];
  hypothesis?: HypothesisId;
  /** Reading at true zero of each kit, in its unit. */
  offset?: number[];
}

/** An ensemble of tanks that are just as a test says, for what is worked out from one. */
export function ensembleOf(problem: CycleProblem, tanks: readonly Told[]): Ensemble {
  const inferred = inferEnsemble(problem, {
    seed: 1,
    particles: 16,
    otherParticles: 4,
    members: tanks.length,
  });
  const members = inferred.members.map((member, i): Member => {
    const { seed = 'bottle', parameters, now, bias, offset, hypothesis } = tanks[i] ?? {};
    return {
      ...member,
      hypothesis: hypothesis ?? member.hypothesis,
      parameters: { ...typicalParameters(seed), ...parameters },
      now: {
        ammonia: 0,
        nitrite: 0,
        nitrate: 0,
        organic: 0,
        alkalinity: 8,
        capacityA: 1,
        capacityB: 1,
        awake: 1,
        ...now,
      },
      bias: Float64Array.from(problem.kits, (_, k) => bias?.[k] ?? 1),
      offset: Float64Array.from(problem.kits, (_, k) => offset?.[k] ?? 0),
      strength: 1,
      spread: 1,
      free: 1,
      fish: 1,
    };
  });
  return { ...inferred, members };
}
