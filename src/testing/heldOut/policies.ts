import { seededRandom } from '@/core/math/random';
import { DAY_MS } from '@/core/time/zone';
import { FILLED } from '../logBuilder';
import { readTestSession, readyWithout, type Life } from './keeper';
import { forecastOn } from './study';

/** How a keeper decides what to test: everything every second day, or what the forecast asks for. */
export type Policy = 'everySecondDay' | 'nextBest';

export interface PolicyResult {
  /** Tests used until the date was known well enough, or the cycle was over. */
  tests: number;
  /** Day on which that was. */
  day: number;
  /** Days between the ends of the 80 % interval then. */
  width: number;
  certain: boolean;
  /** Days that the median was off. */
  error: number;
  /** The median itself, day of the life. */
  middle: number;
  /** Whether the interval held the day. */
  held: boolean;
}

const USUAL = { seed: 1, particles: 140, otherParticles: 24, members: 140 };
/** Longest that the guided keeper goes without looking at the forecast again, days. */
const LOOK_AGAIN = 3;

const dayOf = (ms: number | null) => (ms === null ? Infinity : (ms - FILLED) / DAY_MS);

/**
 * Follows a policy until the 80 % interval of the date on which both are clear is as narrow as a
 * seventh of the way (two days at the least), or tests have shown that it is over. Ammonia and nitrite count as a
 * test each; both policies begin with the same two, on the day after the first dose.
 */
export function follow(
  life: Life,
  policy: Policy,
  seed: number,
  sampler: typeof USUAL = USUAL,
): PolicyResult {
  const random = seededRandom(seed);
  const played: Life = { ...life, testSessions: [] };
  let tests = 0;
  let day = (life.doses[0]?.day ?? 1) + 0.5;
  const test = (what: { ammonia: boolean; nitrite: boolean }) => {
    played.testSessions.push(readTestSession(life, day, what, random));
    tests += Number(what.ammonia) + Number(what.nitrite);
  };
  test({ ammonia: true, nitrite: true });
  for (;;) {
    const forecast = forecastOn(played, day + 0.01, sampler);
    const { p10, p50, p90 } = forecast.milestones.ready;
    const width = dayOf(p90) - dayOf(p10);
    // With nothing dosed afterwards, as the forecast assumes.
    const truth = readyWithout(life, day);
    const { ammonia, nitrite } = played.testSessions.at(-1) ?? {};
    // Both read zero after the end: it is over and shown, however roughly the day is known.
    const shown = day > truth && ammonia === 0 && nitrite === 0;
    const certain = shown || width <= Math.max(2, truth / 7);
    if (certain || day > life.readyDay + 4) {
      return {
        tests,
        day,
        width,
        certain,
        error: Math.abs(dayOf(p50) - truth),
        middle: dayOf(p50),
        held: truth >= dayOf(p10) && truth <= dayOf(p90),
      };
    }
    if (policy === 'everySecondDay') {
      day += 2;
      test({ ammonia: true, nitrite: true });
      continue;
    }
    const { nextTest } = forecast;
    const wait = nextTest ? Math.max(1, nextTest.inDays) : LOOK_AGAIN;
    if (!nextTest || wait > LOOK_AGAIN) {
      day += LOOK_AGAIN;
      continue;
    }
    day += wait;
    const asked = nextTest.parameters;
    test({ ammonia: asked.includes('ammonia'), nitrite: asked.includes('nitrite') });
  }
}
