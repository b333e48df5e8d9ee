import { byAssurance, judge, type Judged } from '../src/testing/heldOut/judge';
import { METHODS } from '../src/testing/heldOut/study';
import { TROUBLES, type Trouble } from '../src/testing/heldOut/troubles';
import { liveUntidily, DONE_RULE_CHOICES } from '../src/testing/heldOut/untidy';
import { round, upperBound, type Study } from './study';

/** Apart from the seeds that the margins were chosen on. */
const SEED = 9_000_041;

interface Row {
  key: string;
  trouble: Trouble;
  judged: Judged[];
}

const nameOf = (doneRule: Judged['doneRule']) => Object.values(doneRule).join(' ');

/** What might be asked of each chance, and what it would cost. */
const ASKED = [0.8, 0.9, 0.95, 0.97, 0.98, 0.99];

/** By what would be asked: how many of the able moments of tidy lives it withholds, and how many false ones it lets by. */
function tradeOf(rows: readonly Row[], doneRule: Judged['doneRule']) {
  const weighed = (such: (row: Row) => boolean) =>
    rows
      .filter(such)
      .flatMap(({ judged }) => judged.filter((j) => nameOf(j.doneRule) === nameOf(doneRule)))
      .flatMap((j) => j.weighed);
  const able = weighed(({ trouble }) => trouble === 'none').filter((one) => one.able);
  const unable = weighed(() => true).filter((one) => !one.able);
  return ASKED.map((asked) => ({
    tradeUnder: nameOf(doneRule),
    asked,
    able: able.length,
    ableWithheld: round(
      able.filter(({ chance }) => chance < asked).length / Math.max(1, able.length),
    ),
    unable: unable.length,
    unableLetBy: unable.filter(({ chance }) => chance >= asked).length,
  }));
}

/**
 * Lives of every kind of trouble, each lived under one rule for done in turn and judged under all, by one posterior
 * a look: where *ready* would be false, and everywhere in tidy lives.
 */
export const untidy: Study = {
  keys: (size) =>
    Array.from({ length: size }, (_, n) => TROUBLES.map((trouble) => `${trouble} ${n}`)).flat(),
  run: (key) => {
    const [trouble = 'none', number = '0'] = key.split(' ');
    const n = Number(number);
    const place = TROUBLES.indexOf(trouble as Trouble);
    const doneRule = DONE_RULE_CHOICES[n % DONE_RULE_CHOICES.length];
    const method = METHODS[Math.floor(n / DONE_RULE_CHOICES.length) % METHODS.length];
    if (!doneRule || !method) throw new Error(key);
    const life = liveUntidily(
      trouble as Trouble,
      doneRule,
      method,
      SEED + 997 * n + 101_009 * place,
    );
    return { trouble, judged: judge(life, byAssurance, DONE_RULE_CHOICES) };
  },
  report: (all) => {
    const rows = all as unknown as Row[];
    const of = (such: (row: Row, judged: Judged) => boolean) =>
      rows.filter((row) => row.judged.some((judged) => such(row, judged))).length;
    const byTrouble = TROUBLES.map((trouble) => {
      const lives = rows.filter((row) => row.trouble === trouble).length;
      const wrong = of((row, j) => row.trouble === trouble && j.falseReadies.length > 0);
      return {
        trouble,
        lives,
        granted: of((row, j) => row.trouble === trouble && j.granted !== null),
        falseByRulesAlone: of((row, j) => row.trouble === trouble && j.falseGrants.length > 0),
        falseReady: wrong,
        bound: round(upperBound(wrong, lives)),
      };
    });
    const tidy = rows.filter(({ trouble }) => trouble === 'none').flatMap(({ judged }) => judged);
    const byDoneRule = DONE_RULE_CHOICES.map((doneRule) => {
      const lives = tidy.filter((judged) => nameOf(judged.doneRule) === nameOf(doneRule));
      const sum = (what: (judged: Judged) => number) =>
        lives.reduce((total, judged) => total + what(judged), 0);
      const granted = lives.filter((j) => j.granted !== null);
      return {
        tidyUnder: nameOf(doneRule),
        lives: lives.length,
        granted: granted.length,
        readyWithin7Days: granted.filter((j) => j.ready !== null && j.ready - (j.granted ?? 0) <= 7)
          .length,
        ableLooks: sum((j) => j.able),
        ableWithheld: round(
          sum((j) => j.ableWithheld) /
            Math.max(
              1,
              sum((j) => j.able),
            ),
        ),
        withheldLooks: sum((j) => j.withheld),
        withheldUnable: round(
          sum((j) => j.withheldUnable) /
            Math.max(
              1,
              sum((j) => j.withheld),
            ),
        ),
        oneTestToGo: sum((j) => j.words['one test to go'] ?? 0),
        notYet: sum((j) => j.words['not yet'] ?? 0),
        ready: sum((j) => j.words.ready ?? 0),
      };
    });
    const wrong = rows.flatMap((row) =>
      row.judged.flatMap(({ doneRule, falseReadies }) =>
        falseReadies
          .slice(0, 1)
          .map((f) => ({ falseReady: row.key, doneRule: nameOf(doneRule), ...f })),
      ),
    );
    const trade = DONE_RULE_CHOICES.flatMap((doneRule) => tradeOf(rows, doneRule));
    return [...byTrouble, ...byDoneRule, ...trade, ...wrong];
  },
};
