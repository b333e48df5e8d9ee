import { cycleProblem } from '@/core/cycle/problem/problem';
import type { CycleProblem } from '@/core/cycle/problem/types';
import type { Assurance } from '@/core/cycle/verdict/assurance';
import { verdictOf } from '@/core/cycle/verdict/verdict';
import { tankHistory } from '@/core/history/derive';
import { bandsOf } from '@/core/parameters/bands';
import { DAY_MS } from '@/core/time/zone';
import { FILLED } from '../logBuilder';
import { falsehoodOf, type Falsehood } from './truth';
import type { UntidyLife } from './untidy';

/** A moment at which a verdict was wrong. */
export interface FalseReady {
  day: number;
  falsehood: Falsehood;
  /** Whether a reading of the ten days before was a reader's blunder. */
  blundered: boolean;
}

export interface Judged {
  /** Day on which the rules first granted, and on which the verdict first was *ready*, where asked. */
  granted: number | null;
  ready: number | null;
  /** Moments looked at that were granted. */
  grants: number;
  /** Where the rules alone would have been wrong, and where the verdict was. */
  falseGrants: FalseReady[];
  falseReadies: FalseReady[];
}

const bands = bandsOf('mixedReef', {});
/** A tank that stays granted is looked at again after so many days. */
const AGAIN_DAYS = 1.5;

/** The moments at which a keeper looks: after each sitting, and on the way to the next. */
function looks({ sittings, end }: UntidyLife): number[] {
  return sittings.flatMap(({ day }, n) => {
    const next = sittings[n + 1]?.day ?? end;
    return next - day > 0.3 ? [day + 0.02, (day + next) / 2] : [day + 0.02];
  });
}

/**
 * Asks for the verdict all along a life, as its keeper would have seen it, and holds it against the
 * true course.
 * @param ask what the forecast says, asked only where the rules grant and *ready* would be false, and in
 *   a tidy life until it is ready: each answer takes a second
 */
export function judge(life: UntidyLife, ask: (problem: CycleProblem) => Assurance): Judged {
  const judged: Judged = {
    granted: null,
    ready: null,
    grants: 0,
    falseGrants: [],
    falseReadies: [],
  };
  const log = life.builder.log();
  let lookedAt = -Infinity;
  let doneBefore = 0;
  for (const day of looks(life)) {
    const at = FILLED + Math.round(day * DAY_MS);
    const history = tankHistory(log, life.builder.tankId, at);
    const ruled = verdictOf(history, at, bands);
    if (!ruled.granted) continue;
    const done = [...life.doses, ...life.events].filter((e) => e.day <= day).length;
    if (judged.granted !== null && day - lookedAt < AGAIN_DAYS && done === doneBefore) continue;
    lookedAt = day;
    doneBefore = done;
    const falsehood = falsehoodOf(life, day);
    const wrong = falsehood && {
      day,
      falsehood,
      blundered: life.sittings.some((s) => s.blundered && s.day <= day && s.day > day - 10),
    };
    judged.grants += 1;
    judged.granted ??= day;
    if (wrong) judged.falseGrants.push(wrong);
    // Where *ready* is true it only matters how late it is said, and in a tidy life.
    if (!wrong && (judged.ready !== null || life.trouble !== 'none')) continue;
    const verdict = verdictOf(history, at, bands, ask(cycleProblem(history, at)));
    if (!verdict.ready) continue;
    judged.ready ??= day;
    if (wrong) judged.falseReadies.push(wrong);
  }
  return judged;
}
