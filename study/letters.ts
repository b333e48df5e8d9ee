import { quantileOfSorted, sortedCopy } from '../src/core/math/quantile';
import { drawLives } from '../src/testing/heldOut/study';
import { followToTheLetter, type Followed } from '../src/testing/heldOut/toTheLetter';
import { SCHOOL_CHOICES } from '../src/testing/heldOut/untidy';
import { round, type Study } from './study';

type Row = Followed & { key: string; school: string };

/** Keepers who do what the next test says and nothing else, under every school. */
export const letters: Study = {
  keys: (size) =>
    Array.from({ length: size }, (_, n) =>
      SCHOOL_CHOICES.map((_s, place) => `${place} ${n}`),
    ).flat(),
  run: (key) => {
    const [place = 0, n = 0] = key.split(' ').map(Number);
    const school = SCHOOL_CHOICES[place];
    const life = drawLives(n + 1, 78)[n];
    if (!school || !life) throw new Error(key);
    const followed = followToTheLetter(life, 500 + n, { seed: 1 }, school);
    return { school: Object.values(school).join(' '), ...followed };
  },
  report: (all) => {
    const rows = all as unknown as Row[];
    const middle = (values: number[]) =>
      values.length === 0 ? null : round(quantileOfSorted(sortedCopy(values), 0.5));
    return SCHOOL_CHOICES.map((choice) => {
      const school = Object.values(choice).join(' ');
      const of = rows.filter((row) => row.school === school);
      const ready = of.filter((row) => row.ready !== null);
      return {
        school,
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
