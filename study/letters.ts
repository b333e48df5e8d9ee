import { quantileOfSorted, sortedCopy } from '../src/core/math/quantile';
import { drawLives } from '../src/testing/heldOut/study';
import { followToTheLetter, type Followed } from '../src/testing/heldOut/toTheLetter';
import { DONE_RULE_CHOICES } from '../src/testing/heldOut/untidy';
import { round, type Study } from './study';

type Row = Followed & { key: string; doneRule: string };

/** Keepers who do what the next test says and nothing else, under every rule for done. */
export const letters: Study = {
  keys: (size) =>
    Array.from({ length: size }, (_, n) =>
      DONE_RULE_CHOICES.map((_s, place) => `${place} ${n}`),
    ).flat(),
  run: (key) => {
    const [place = 0, n = 0] = key.split(' ').map(Number);
    const doneRule = DONE_RULE_CHOICES[place];
    const life = drawLives(n + 1, 78)[n];
    if (!doneRule || !life) throw new Error(key);
    const followed = followToTheLetter(life, 500 + n, { seed: 1 }, doneRule);
    return { doneRule: Object.values(doneRule).join(' '), ...followed };
  },
  report: (all) => {
    const rows = all as unknown as Row[];
    const middle = (values: number[]) =>
      values.length === 0 ? null : round(quantileOfSorted(sortedCopy(values), 0.5));
    return DONE_RULE_CHOICES.map((choice) => {
      const doneRule = Object.values(choice).join(' ');
      const of = rows.filter((row) => row.doneRule === doneRule);
      const ready = of.filter((row) => row.ready !== null);
      return {
        doneRule,
        keepers: of.length,
        ready: ready.length,
        falseReady: ready.filter((row) => row.falsehood !== null).length,
        neverReadyThoughAble: of.filter((row) => row.ready === null && row.falsehood === null)
          .length,
        testsMedian: middle(of.map((row) => row.tests)),
        testsMost: Math.max(0, ...of.map((row) => row.tests)),
        readyOnMedian: middle(ready.flatMap((row) => row.ready ?? [])),
        doses: of.reduce((sum, row) => sum + row.doses, 0),
        toldToRaiseAlkalinity: of.filter((row) => row.raised > 0).length,
      };
    });
  },
};
