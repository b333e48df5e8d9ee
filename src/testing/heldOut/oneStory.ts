import { hasAnimals } from '@/core/cycle/doseAdvice';
import { redoseAdvice } from '@/core/cycle/dosing/redose';
import { forecastOf } from '@/core/cycle/forecast/forecast';
import type { InferOptions } from '@/core/cycle/forecast/posterior';
import { cycleProblem } from '@/core/cycle/problem/problem';
import { todaySentence } from '@/core/cycle/words/todaySentence';
import { noDoseBecause } from '@/core/cycle/verdict/outstanding';
import { isStale } from '@/core/cycle/verdict/criteria/zero';
import { verdictOf } from '@/core/cycle/verdict/verdict';
import { latestReading, type TankHistory } from '@/core/history/tankHistory';
import { bandsOf } from '@/core/parameters/bands';
import { HOUR_MS } from '@/core/time/zone';

const bands = bandsOf('mixedReef', {});
/** Half a day: dates ahead are looked for at noon and midnight of the run. */
const ROUGHLY = 12 * HOUR_MS;

/** All that the app says of a tank at a moment. */
export function voicesOf(history: TankHistory, at: number, options: InferOptions) {
  const forecast = forecastOf(cycleProblem(history, at), options);
  const verdict = verdictOf(history, at, bands, forecast.assurance);
  const advice = redoseAdvice(history, forecast, at);
  const today = todaySentence(history, verdict, bands, forecast, at);
  return { history, at, forecast, verdict, advice, today };
}
export type Voices = ReturnType<typeof voicesOf>;

/**
 * Where the voices of the app contradict each other: verdict, next test, advice to dose, ready date, what
 * holds it back. Empty where all tell one story (decision 24).
 */
export function contradictions({
  history,
  at,
  forecast,
  verdict,
  advice,
  today,
}: Voices): string[] {
  const { nextTest, milestones, stall } = forecast;
  const { proof, word } = verdict;
  const found: string[] = [];
  const hold = (holds: boolean, what: string) => {
    if (!holds) found.push(what);
  };
  if (proof?.step === 'dose') {
    hold(nextTest?.purpose === 'challenge', 'the verdict asks for a dose, the next test for none');
    hold(
      Math.abs((nextTest?.at ?? 0) - at - proof.hours * HOUR_MS) <= ROUGHLY,
      'the hour of the test after a dose differs',
    );
    hold(Math.abs(advice.rise - proof.rise) < 1e-9, 'the size of the dose differs');
  }
  if (proof?.step === 'test') {
    const due = Math.max(at, proof.testAt ?? at);
    hold(Math.abs((nextTest?.at ?? 0) - due) <= HOUR_MS, 'the test of a dose differs in its hour');
    hold(advice.rise === 0, 'a dose is advised while one is under way');
  }
  if (nextTest?.purpose === 'challenge') {
    hold(advice.rise > 0, 'the next test asks for a dose, the advice for none');
    hold(noDoseBecause(history, at) === null, 'a dose is asked for that may not be given');
    hold(!verdict.cycled, 'a dose is asked for in a tank that is done');
  }
  if (hasAnimals(history)) {
    hold(advice.rise === 0 && proof === null, 'a dose with an animal in');
    hold(word === 'ready' || word === 'watch', 'an animal is in and nobody watches');
  }
  const shows = (['ammonia', 'nitrite'] as const).some((parameter) => {
    const reading = latestReading(history, parameter);
    return reading?.clearlyAbove === true && !isStale(reading, at);
  });
  if (word === 'watch' && shows) {
    hold((nextTest?.inDays ?? 9) <= 1, 'an animal in ammonia or nitrite, and no test within a day');
    hold(
      stall[0]?.cause !== 'simplyEarly',
      'an animal in ammonia or nitrite is called simply early',
    );
  }
  if (shows) hold(!verdict.cycled, 'done while it reads above zero');
  const { p10 } = milestones.ready;
  if (p10 !== null) hold(p10 >= at, 'ready at a date gone by');
  if (p10 !== null && nextTest?.purpose === 'challenge') {
    hold(p10 >= nextTest.at, 'ready before the test of the dose that is to show it');
  }
  if (verdict.cycled) hold(today.title !== 'Not yet ready for fish.', 'done, and not yet');
  if (/No dose now/.test(today.detail)) {
    hold(advice.rise === 0, 'Today says no dose, the advice doses');
    hold((nextTest?.inDays ?? 9) <= 1.5, 'Today asks for a test tomorrow, the next test is later');
  }
  return found;
}
