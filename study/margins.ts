import { DAY_MS } from '../src/core/time/zone';
import { assuranceOf, carriesAfter } from '../src/core/cycle/forecast/assurance';
import { ensembleOf, infer } from '../src/core/cycle/forecast/posterior';
import { cycleProblem } from '../src/core/cycle/problem/problem';
import { verdictOf } from '../src/core/cycle/verdict/verdict';
import { tankHistory } from '../src/core/history/derive';
import { bandsOf } from '../src/core/parameters/bands';
import type { DoneRuleChoice } from '../src/core/records/schema/tank';
import { looks, under } from '../src/testing/heldOut/judge';
import { METHODS } from '../src/testing/heldOut/study';
import { TROUBLES, type Trouble } from '../src/testing/heldOut/troubles';
import { falsehoodOf, peakUnderFish } from '../src/testing/heldOut/truth';
import { DONE_RULE_CHOICES, liveUntidily } from '../src/testing/heldOut/untidy';
import { FILLED } from '../src/testing/logBuilder';
import { round, type Study } from './study';

/** Apart from the seeds that the margins were chosen on, and from those of the other studies. */
const SEED = 17_000_023;
const RULES: readonly DoneRuleChoice[] = [
  { rule: 'bothZero' },
  { rule: 'bothZeroHeld', daysAtZero: 7 },
];
const MARGINS = [1, 1.25, 1.5, 2, 2.5] as const;
const ASKED = [0.8, 0.9, 0.95, 0.98] as const;

/** A moment that the rules grant: how many carry the load by how large a margin, and what is true. */
interface Look {
  rule: string;
  unfed: number;
  stays: number;
  carries: number[];
  able: boolean;
  peak: number;
}

/**
 * What a margin on the load and what is asked of the chance cost and spare: tidy lives at every moment that
 * the rules grant, lives with a trouble at those that are truly unable.
 */
export const margins: Study = {
  keys: (size) =>
    Array.from({ length: size }, (_, n) => [
      // As many tidy lives as troubled ones of two kinds: they are what is withheld from.
      `none ${2 * n}`,
      `none ${2 * n + 1}`,
      ...TROUBLES.filter((trouble) => trouble !== 'none').map((trouble) => `${trouble} ${n}`),
    ]).flat(),
  run: (key) => {
    const [name = 'none', number = '0'] = key.split(' ');
    const trouble = name as Trouble;
    const n = Number(number);
    const doneRule = DONE_RULE_CHOICES[n % DONE_RULE_CHOICES.length];
    const method = METHODS[Math.floor(n / DONE_RULE_CHOICES.length) % METHODS.length];
    if (!doneRule || !method) throw new Error(key);
    const life = liveUntidily(
      trouble,
      doneRule,
      method,
      SEED + 997 * n + 101_009 * TROUBLES.indexOf(trouble),
    );
    const log = life.builder.log();
    const found: Look[] = [];
    for (const day of looks(life)) {
      const at = FILLED + Math.round(day * DAY_MS);
      const history = tankHistory(log, life.builder.tankId, at);
      const granted = RULES.filter(
        (rule) => verdictOf(under(history, rule), at, bandsOf('mixedReef', {})).granted,
      );
      const able = falsehoodOf({ ...life, doneRule: { rule: 'bothZero' } }, day) === null;
      if (granted.length === 0 || (able && trouble !== 'none')) continue;
      const problem = cycleProblem(under(history, { rule: 'bothZero' }), at);
      const ensemble = ensembleOf(infer(problem, { seed: 1 }), 'steppedBack');
      const { stays } = assuranceOf(ensemble);
      const carries = MARGINS.map((margin) => round(carriesAfter(ensemble, 0, undefined, margin)));
      const { fedAt } = problem.facts;
      const unfed = fedAt === null ? 0 : round((at - fedAt) / DAY_MS);
      const peak = round(peakUnderFish(life, day, 1));
      for (const { rule } of granted) found.push({ rule, unfed, stays, carries, able, peak });
    }
    return { trouble, found };
  },
  report: (rows) => {
    const all = rows.flatMap(({ found }) => found as Look[]);
    return RULES.flatMap(({ rule }) => {
      const of = all.filter((look) => look.rule === rule);
      const [able, unable] = [of.filter((look) => look.able), of.filter((look) => !look.able)];
      return MARGINS.flatMap((margin, place) =>
        ASKED.map((asked) => {
          const passes = ({ stays, carries }: Look) =>
            stays >= asked && (carries[place] ?? 0) >= asked;
          const letBy = unable.filter(passes);
          return {
            rule,
            margin,
            asked,
            able: able.length,
            withheld: round(able.filter((look) => !passes(look)).length / Math.max(1, able.length)),
            unable: unable.length,
            letBy: letBy.length,
            highest: letBy.length === 0 ? null : Math.max(...letBy.map(({ peak }) => peak)),
          };
        }),
      );
    });
  },
};
