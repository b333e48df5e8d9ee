import { assurer } from '@/core/cycle/forecast';
import { cycleProblem } from '@/core/cycle/problem/problem';
import type { CycleProblem } from '@/core/cycle/problem/types';
import type { Assurance } from '@/core/cycle/verdict/assurance';
import { asksForecast } from '@/core/cycle/verdict/proof';
import type { VerdictWord } from '@/core/cycle/verdict/types';
import { verdictOf } from '@/core/cycle/verdict/verdict';
import { tankHistory } from '@/core/history/derive';
import type { TankHistory } from '@/core/history/tankHistory';
import { bandsOf } from '@/core/parameters/bands';
import type { DoneRuleChoice } from '@/core/records/schema/tank';
import { DAY_MS } from '@/core/time/zone';
import { FILLED } from '../logBuilder';
import { falsehoodOf, peakUnderFish, type Falsehood } from './truth';
import type { UntidyLife } from './untidy';

/** A moment at which a verdict was wrong. */
export interface FalseReady {
  day: number;
  falsehood: Falsehood;
  /** Whether a reading of the ten days before was a reader's blunder. */
  blundered: boolean;
  /** What ammonia or nitrite truly come to under what it was called ready for, mg N/L; where it was. */
  peak?: number;
}

export interface Judged {
  doneRule: DoneRuleChoice;
  /** Day on which the rules first granted, and on which the verdict first was *ready*, where asked. */
  granted: number | null;
  ready: number | null;
  /** Moments looked at that were granted. */
  grants: number;
  /** Of the moments that the rules grant and that are truly able: how many were asked about, and withheld. */
  able: number;
  ableWithheld: number;
  /** Of those that the forecast withheld: how many were truly unable. */
  withheld: number;
  withheldUnable: number;
  /** The least of the chances that were asked at each of the moments granted and asked about, and the truth. */
  weighed: { chance: number; able: boolean }[];
  /** Moments of each word, where the forecast was asked. */
  words: Partial<Record<VerdictWord, number>>;
  /** Where the rules alone would have been wrong, and where the verdict was. */
  falseGrants: FalseReady[];
  falseReadies: FalseReady[];
}

/** What the forecast says of a problem; the readings are weighed once for all rules for done. */
export type Ask = (problem: CycleProblem) => (asked: CycleProblem) => Assurance;

/** Asks the forecast that ships. */
export const byAssurance: Ask = (problem) => assurer(problem, { seed: 1 });

/** At which looks the forecast is asked: where *ready* would be false, or wherever the rules leave it open. */
export type Where = 'wrong' | 'everywhere';

const bands = bandsOf('mixedReef', {});
/** A tank that stays granted is looked at again after so many days. */
const AGAIN_DAYS = 1.5;

/** The moments at which a keeper looks: after each test session, and on the way to the next. */
export function looks({ testSessions, end }: UntidyLife): number[] {
  return testSessions.flatMap(({ day }, n) => {
    const next = testSessions[n + 1]?.day ?? end;
    return next - day > 0.3 ? [day + 0.02, (day + next) / 2] : [day + 0.02];
  });
}

export const under = (history: TankHistory, doneRule: DoneRuleChoice): TankHistory => ({
  ...history,
  tank: { ...history.tank, doneRule },
});

/**
 * Asks for the verdict all along a life under each of some rules for done, as its keeper would have seen it, and
 * holds it against the true course.
 * @param ask what the forecast says; each answer takes a second
 */
export function judge(
  life: UntidyLife,
  ask: Ask,
  doneRules: readonly DoneRuleChoice[] = [life.doneRule],
  where: Where = life.trouble === 'none' ? 'everywhere' : 'wrong',
): Judged[] {
  const log = life.builder.log();
  const judged = doneRules.map((doneRule): Judged & { lookedAt: number; doneBefore: number } => ({
    doneRule,
    granted: null,
    ready: null,
    grants: 0,
    able: 0,
    ableWithheld: 0,
    withheld: 0,
    withheldUnable: 0,
    weighed: [],
    words: {},
    falseGrants: [],
    falseReadies: [],
    lookedAt: -Infinity,
    doneBefore: 0,
  }));
  const blundered = (day: number) =>
    life.testSessions.some((s) => s.blundered && s.day <= day && s.day > day - 10);
  for (const day of looks(life)) {
    const at = FILLED + Math.round(day * DAY_MS);
    const history = tankHistory(log, life.builder.tankId, at);
    const done = [...life.doses, ...life.events].filter((e) => e.day <= day).length;
    // The readings are weighed once a look, and only where any rule for done asks.
    let posterior: ReturnType<Ask> | null = null;
    const assured = (asked: TankHistory) => {
      const problem = cycleProblem(asked, at);
      posterior ??= ask(problem);
      return posterior(problem);
    };
    for (const result of judged) {
      const { doneRule } = result;
      const asked = under(history, doneRule);
      const ruled = verdictOf(asked, at, bands);
      if (!ruled.granted && !(where === 'everywhere' && asksForecast(ruled))) continue;
      const again = result.granted !== null && day - result.lookedAt < AGAIN_DAYS;
      if (again && done === result.doneBefore) continue;
      const falsehood = falsehoodOf({ ...life, doneRule }, day);
      const wrong = falsehood && { day, falsehood, blundered: blundered(day) };
      if (ruled.granted) {
        result.lookedAt = day;
        result.doneBefore = done;
        result.grants += 1;
        result.granted ??= day;
        if (wrong) result.falseGrants.push(wrong);
      }
      if (!wrong && where === 'wrong') continue;
      const assurance = assured(asked);
      const verdict = verdictOf(asked, at, bands, assurance);
      result.words[verdict.word] = (result.words[verdict.word] ?? 0) + 1;
      if (ruled.granted) {
        const { stays, carries, repeats } = assurance;
        result.weighed.push({ chance: Math.min(stays, carries, repeats ?? 1), able: !wrong });
        if (!wrong) result.able += 1;
        if (!verdict.cycled) {
          result.withheld += 1;
          if (wrong) result.withheldUnable += 1;
          else result.ableWithheld += 1;
        }
      }
      if (!verdict.ready) continue;
      result.ready ??= day;
      const fish = verdict.readyFor === 'one small fish' ? 1 : 2;
      const untrue = falsehood ?? falsehoodOf({ ...life, doneRule }, day, fish);
      if (!untrue) continue;
      const peak = peakUnderFish(life, day, falsehood ? 1 : fish);
      result.falseReadies.push({ day, falsehood: untrue, blundered: blundered(day), peak });
    }
  }
  return judged.map(({ lookedAt: _at, doneBefore: _done, ...result }) => result);
}
