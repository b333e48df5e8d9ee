import { forecastOf, type ForecastOptions } from '@/core/cycle/forecast/forecast';
import { alkalinityDue } from '@/core/cycle/dosing/alkalinityRaise';
import { conditionTestSession, nextTestSession } from '@/core/cycle/nextTestSession';
import { kitAtHand } from '@/core/cycle/problem/observations';
import { cycleProblem } from '@/core/cycle/problem/problem';
import type { Forecast } from '@/core/cycle/forecast/types';
import type { Verdict } from '@/core/cycle/verdict/types';
import { verdictOf } from '@/core/cycle/verdict/verdict';
import { latestReading, type TankHistory } from '@/core/history/tankHistory';
import { bandsOf, sideOf } from '@/core/parameters/bands';
import { courseUntil } from '@/core/practice/run/play';
import { trulyReadyOn } from '@/core/practice/after/ready';
import { deedsOf } from '@/core/practice/deeds/deeds';
import { situationOf, type SituationId } from '@/core/practice/situations/situations';
import { DAY_MS, HOUR_MS } from '@/core/time/zone';
import { BOTTLE, dose, fish, PracticeLife, SUBSTANCE } from './practiceKeeper';

const bands = bandsOf('mixedReef', {});
/** Longest that a tank is followed from the taking over, days. */
const LONGEST = 150;

/** How a practice tank went. */
export interface PracticeOutcome {
  /** Day on which the verdict was *ready*; null if it never was. */
  ready: number | null;
  /** Day from which it truly carried its first fish; null if it never did. */
  truly: number | null;
  deaths: number;
  /** Highest that ammonia or nitrite came to in the fortnight after the first fish, mg N/L. */
  peak: number;
  tests: number;
}

/** Whether Cycle says of an open criterion that a dose settles it. */
const asksDose = ({ criteria }: Verdict) =>
  criteria.some(({ role, state, doses }) => role === 'cycle' && state !== 'met' && doses);

/** Whether both were read as zero after whatever was dosed last, and within days. */
const readsZero = ({ readings, entries }: TankHistory) =>
  (['ammonia', 'nitrite'] as const).every((parameter) => {
    const last = readings[parameter].at(-1);
    return last?.best === 0 && last.at > (entries.dose.at(-1)?.at ?? 0);
  });

/** Days for which a keeper goes on with the kit that was bought last. */
const NEW_KIT_DAYS = 20;

/** How Today asks for another kit. */
const ANOTHER_KIT = /read by another kit/;

/** Raises alkalinity in equal steps, one a day, unless a raise is under way; by a test of it first. */
function raise(life: PracticeLife): void {
  if (life.busy) return;
  life.test(['alkalinity']);
  const due = alkalinityDue(life.history(), life.now);
  if (!due) return;
  const grams = due.grams / due.days;
  for (let n = 0; n < due.days; n += 1) {
    life.later(life.now + n * DAY_MS, {
      kind: 'dose',
      substance: 'alkalinity',
      amount: { by: 'grams', grams },
      ...SUBSTANCE,
    });
  }
}

/**
 * Measures temperature again where it reads outside its band, since water that was just filled is not warm yet, and
 * turns the heater's dial by what is left to the middle of the band: as Cycle asks.
 */
function warm(life: PracticeLife): void {
  const band = bands.temperature;
  const outside = () => {
    const reading = latestReading(life.history(), 'temperature');
    return band && reading && sideOf(reading.best, band) !== 'within' ? reading : null;
  };
  if (!band || !outside()) return;
  life.test(['temperature']);
  const reading = outside();
  if (!reading) return;
  const { heaterCheck } = life.history().entries;
  const turned = heaterCheck.findLast(({ entry }) => entry.dial !== undefined)?.entry.dial;
  const to = (turned?.value ?? life.begun.start.dial) + (band.low + band.high) / 2 - reading.best;
  // Its marks are half a degree apart.
  life.do({ kind: 'heaterCheck', dial: { value: Math.round(2 * to) / 2, unit: '°C' } });
}

function outcomeOf(life: PracticeLife, ready: number | null): PracticeOutcome {
  const { start } = life.begun;
  const course = courseUntil(life.played());
  const from = ready === null ? Infinity : Math.floor(ready * 24);
  let peak = 0;
  for (let hour = from; hour < course.series.ammonia.length; hour += 1) {
    peak = Math.max(peak, course.series.ammonia[hour] ?? 0, course.series.nitrite[hour] ?? 0);
  }
  return {
    ready,
    truly: trulyReadyOn(start, deedsOf(life.revisions), Math.ceil(life.day) + 30),
    deaths: course.lived.state.deaths.length,
    peak,
    tests: life.tests,
  };
}

/**
 * Lives a situation by what Today says and nothing else: the first dose as the method has it, what the next test
 * names when it says so, the doses, the alkalinity and the turn of the heater that it asks for, and the first fish
 * at *ready*.
 */
export function liveByToday(
  situation: SituationId,
  seed: number,
  options: ForecastOptions,
  watch: (life: PracticeLife, verdict: Verdict, forecast: Forecast) => void = () => undefined,
): PracticeOutcome {
  const life = new PracticeLife(situation, seed);
  const { method } = situationOf(situation);
  life.wait(2 * HOUR_MS);
  life.renewKits();
  const dosed = life.history().entries.dose.length > 0;
  if (!dosed && method.source === 'ammoniumChloride') life.do(dose(1.56));
  if (!dosed && method.seeding === 'bottle') life.do(BOTTLE);
  life.do({ kind: 'heaterCheck' });
  life.do({ kind: 'lid', fitted: true });
  life.test(['temperature', 'salinity', 'alkalinity', 'ph']);
  life.wait(12 * HOUR_MS);
  const began = life.now;
  let kitsAt = -Infinity;
  while (life.now - began < LONGEST * DAY_MS) {
    warm(life);
    const history = life.history();
    const at = life.now;
    const problem = cycleProblem(history, at);
    const atHand = life
      .kits()
      .flatMap(({ id, body }) =>
        body.parameter === 'ammonia' || body.parameter === 'nitrite' ? [kitAtHand(id, body)] : [],
      )
      .filter((kit) => kit !== null);
    const forecast = forecastOf(problem, { ...options, atHand });
    const verdict = verdictOf(history, at, bands, forecast.assurance);
    watch(life, verdict, forecast);
    if (verdict.ready) {
      const ready = life.day;
      life.do(fish(1, 4));
      life.wait(14 * DAY_MS);
      return outcomeOf(life, ready);
    }
    // Where nothing is known to have gone in, Cycle asks for a dose and forecasts nothing.
    const next = forecast.fed ? forecast.nextTest : null;
    const session = next
      ? nextTestSession(next, history, bands, at)
      : conditionTestSession(history, bands, at);
    if (session?.raise) raise(life);
    if (next && ANOTHER_KIT.test(next.because) && life.now > kitsAt + NEW_KIT_DAYS * DAY_MS) {
      life.otherKits(next.parameters);
      kitsAt = life.now;
    }
    if (next?.purpose === 'challenge') life.do(dose(next.dose));
    else if (asksDose(verdict) && (!forecast.fed || readsZero(history))) life.do(dose(1.56));
    life.wait(next ? Math.max(12 * HOUR_MS, next.at - life.now) : DAY_MS);
    if (session) life.test(session.parameters);
  }
  return outcomeOf(life, null);
}
