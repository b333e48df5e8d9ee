import type { TankHistory } from '../../history/tankHistory';
import { shortDay } from '../../time/words';
import { chanceWords } from '../words/chanceWords';
import { doseAdvice } from '../doseAdvice';
import { proofDoseWords } from '../doseSize';
import { listWords } from '../../units/format';
import { KIT_TRIED } from './criteria/accounted';
import { testHoursOf } from './criteria/challenge';
import { cannotTell, met, notYet, type Finding } from './types';

/**
 * What all that is known of a tank says of the ways in which *ready* could be wrong: chances, 0 to 1,
 * over the tanks that its readings allow.
 */
export interface Assurance {
  /** Ammonia and nitrite are under the limit and stay there for a week with nothing added. */
  stays: number;
  /** So they do under a first fish's load, and a margin, for a fortnight. */
  carries: number;
  /** So they do under twice that: two small fish, or a pair. */
  carriesTwo: number;
  /** Until when it is so at what is asked, if nothing feeds the filter bacteria, ms; null for long, or not now. */
  carriesUntil: number | null;
  /** The dose of the one test that is left, given now or under way, is gone in its hours. */
  proof: number;
  /** The dose of a challenge, given again now, would be gone in its hours; null for other rules for done. */
  repeats: number | null;
  /** Until when it would be at what is asked, if nothing feeds the filter bacteria, ms; null where it is not asked. */
  repeatsUntil: number | null;
  /** The story behind most of what speaks against it, in words that follow "that"; null for none. */
  suspect: string | null;
  /** A kit that may be dead; no dose settles that, but another kit does. */
  doubted: 'ammonia' | 'nitrite' | null;
}

/**
 * What is asked of each chance: 19 in 20 of a repeat, and 49 in 50 where animals would bear it. A
 * single zero after a high reading leaves some 4 in 100 that it was a slip, and of some 1,300 held-out
 * lives two that starved were carried by 97 to 99 in 100 of the ensemble and not in truth.
 */
export const SURE = { repeats: 0.95, stays: 0.98, carries: 0.98 } as const;

/** "49 in 50": how much of certainty is asked. */
function askedWords(chance: number): string {
  const of = Math.round(1 / (1 - chance));
  return `${of - 1} in ${of}`;
}

/** Until when filter bacteria that nothing feeds carries a first fish, and passes a repeat; empty for long, or unknown. */
export function lastsWords(history: TankHistory, assurance: Assurance | null): string {
  if (!assurance) return '';
  const { carriesUntil, repeatsUntil } = assurance;
  const day = (ms: number) => shortDay(ms, history.tank.zone);
  const until = [
    ...(carriesUntil === null
      ? []
      : [`a first small fish is carried until about ${day(carriesUntil)}`]),
    ...(repeatsUntil === null
      ? []
      : [`a repeat of the dose passes until about ${day(repeatsUntil)}`]),
  ];
  return until.length === 0 ? '' : `If nothing feeds the filter bacteria, ${listWords(until)}.`;
}

/** What of an assurance falls short of what is asked; `agreement` says it, and the next test settles it. */
export type Short = 'stays' | 'repeats' | 'carries';

/** Much of what speaks against a load is more than what speaks against staying low by this. */
const MUCH = 0.02;

/** What is short of what is asked; null for nothing. */
export function shortOf({ stays, carries, repeats }: Assurance): Short | null {
  // Where a load is doubted for more than that something may stand, the dose is what settles it.
  if (stays < SURE.stays && carries > stays - MUCH) return 'stays';
  if (repeats !== null && repeats < SURE.repeats) return 'repeats';
  if (carries < SURE.carries) return 'carries';
  return stays < SURE.stays ? 'stays' : null;
}

/** What the forecast says of a tank whose evidence is complete; null while it has not answered. */
export function agreement(history: TankHistory, assurance: Assurance | null): Finding {
  if (!assurance && history.standing.runningSince !== null) {
    return cannotTell(
      'The tank is marked as running, and no forecast follows a running tank.',
      'What its animals make is the measure: free ammonia tested on three days running. Without an animal in it, take the mark back, and the forecast follows it again.',
    );
  }
  if (!assurance) {
    return cannotTell(
      'The forecast has not yet weighed all that is logged.',
      'Wait until it has: it takes a few seconds. If it could not be worked out, it is tried again with the next entry.',
    );
  }
  const { stays, carries, repeats, suspect } = assurance;
  const why = suspect === null ? '' : ` What speaks against it most is that ${suspect}.`;
  const short = shortOf(assurance);
  if (short !== null && assurance.doubted !== null) {
    const { doubted } = assurance;
    return {
      ...cannotTell(
        `The ${doubted} kit may be dead, and would read zero for ever: nothing that is logged shows that it still works.`,
        `Have ${doubted} read by another kit, and log that under its own name.`,
      ),
      how: KIT_TRIED[doubted],
    };
  }
  if (short === 'stays') {
    return notYet(
      `By all that is logged the chance is ${chanceWords(stays)} that ammonia and nitrite stay low for a week, and ${askedWords(SURE.stays)} are asked.${why}`,
      'Test both again in two days.',
    );
  }
  if (short === 'repeats' && repeats !== null) {
    return notYet(
      `By all that is logged the chance is ${chanceWords(repeats)} that the dose would be gone in time again, and ${askedWords(SURE.repeats)} are asked: filter bacteria that are not fed dwindle.${why}`,
      doseAdvice(
        history,
        `Dose ${proofDoseWords(history)} again and test both when its hours are over.`,
      ),
    );
  }
  if (short === 'carries') {
    return notYet(
      `By all that is logged the chance is ${chanceWords(carries)} that a first small fish is carried, and ${askedWords(SURE.carries)} are asked.${why}`,
      doseAdvice(
        history,
        `Dose ${proofDoseWords(history)}, and test both ${testHoursOf(history.tank.doneRule)} h later.`,
      ),
    );
  }
  return met(
    `Nothing that is logged speaks against it. ${lastsWords(history, assurance)}`.trim(),
    [],
  );
}
