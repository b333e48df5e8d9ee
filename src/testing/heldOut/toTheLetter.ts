import { cycleProblem } from '@/core/cycle/problem/problem';
import { kitAtHand } from '@/core/cycle/problem/observations';
import { forecastOf, type ForecastOptions } from '@/core/cycle/forecast/forecast';
import { conditionsToTest } from '@/core/cycle/verdict/conditions';
import { verdictOf } from '@/core/cycle/verdict/verdict';
import { tankHistory } from '@/core/history/derive';
import { seededRandom } from '@/core/math/random';
import { bandsOf } from '@/core/parameters/bands';
import { kitFrom } from '@/core/records/kitTemplates';
import { DEFAULT_SCHOOL } from '@/core/records/schema/tank';
import { DAY_MS } from '@/core/time/zone';
import { FILLED } from '../logBuilder';
import { logOf, readSitting, type Life } from './keeper';
import { falsehoodOf, type Falsehood } from './truth';
import { heated, LIFE_DAYS, runReef, type TrueDose } from './reef';

/** How a keeper fared who did what the next test says, and nothing else. */
export interface Followed {
  /** Day on which the rules granted it, and on which the verdict was *ready*; null if never. */
  granted: number | null;
  ready: number | null;
  /** What would be false about calling it ready on that day, or on the last one. */
  falsehood: Falsehood | null;
  /** Tests of ammonia and nitrite, and of what else was named. */
  tests: number;
  others: number;
  /** Doses beyond the first, each advised. */
  doses: number;
}

const bands = bandsOf('mixedReef', {});
/** A tank is followed as long as it is simulated, days. */
const LONGEST = LIFE_DAYS - 2;

/**
 * Follows the next test to the letter under the default school, from one dose on: tests what it names,
 * when it says so, doses where it says so, and looks at the verdict.
 */
export function followToTheLetter(life: Life, seed: number, options: ForecastOptions): Followed {
  const random = seededRandom(seed);
  const first = life.doses[0];
  const doses: TrueDose[] = first ? [first] : [];
  const reef = heated(life.reef);
  const played: Life = { ...life, reef, doses, course: runReef(reef, doses), sittings: [] };
  const conditions: number[] = [];
  const atHand = (['ammoniaCard', 'nitriteCard'] as const).flatMap(
    (id) => kitAtHand(id, kitFrom(id, 0)) ?? [],
  );
  const followed: Followed = {
    granted: null,
    ready: null,
    falsehood: null,
    tests: 0,
    others: 0,
    doses: 0,
  };
  const trulyWrong = (on: number) =>
    falsehoodOf({ reef, school: DEFAULT_SCHOOL, doses, events: [] }, on);
  let day = 1.5;
  while (day < LONGEST) {
    const builder = logOf(played, day, { school: DEFAULT_SCHOOL });
    for (const when of conditions) builder.conditions(FILLED + Math.round(when * DAY_MS));
    const at = FILLED + Math.round(day * DAY_MS) + 60_000;
    const history = tankHistory(builder.log(), builder.tankId, at);
    const forecast = forecastOf(cycleProblem(history, at), { ...options, atHand });
    const verdict = verdictOf(history, at, bands, forecast.assurance);
    if (verdict.granted) followed.granted ??= day;
    if (verdict.ready) return { ...followed, ready: day, falsehood: trulyWrong(day) };
    const next = forecast.nextTest;
    if (!next) {
      day += 1;
      continue;
    }
    if (next.purpose === 'challenge') {
      doses.push({ day: day + 0.05, believed: life.keeper.dose });
      played.course = runReef(reef, doses);
      followed.doses += 1;
    }
    day = Math.max(day + 0.5, (next.at - FILLED) / DAY_MS);
    const asked = next.parameters;
    const what = { ammonia: asked.includes('ammonia'), nitrite: asked.includes('nitrite') };
    played.sittings.push(readSitting(played, day, what, random));
    followed.tests += Number(what.ammonia) + Number(what.nitrite);
    if (next.purpose === 'confirm' || next.purpose === 'challenge') {
      const named = conditionsToTest(history, next.at);
      followed.others += named.length;
      if (named.length > 0) conditions.push(day);
    }
  }
  return { ...followed, falsehood: trulyWrong(LONGEST - 20) };
}
