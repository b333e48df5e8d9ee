import { quantileOfSorted, sortedCopy } from '../src/core/math/quantile';
import { SITUATION_IDS, type SituationId } from '../src/core/practice/situations/situations';
import {
  lessonShows,
  liveByToday,
  TEMPTATIONS,
  type PracticeOutcome,
} from '../src/testing/heldOut/practiceLives';
import { practicePrints } from '../src/testing/practicePrints';
import { round, type Study } from './study';

const USUAL = { seed: 1, particles: 140, otherParticles: 24, members: 140 };
type Row = PracticeOutcome & { key: string; lesson?: boolean };

/** Each situation lived by what Today says, and by what it tempts to; of each so many seeds. */
export const practice: Study = {
  keys: (size) =>
    SITUATION_IDS.flatMap((id) => Array.from({ length: size }, (_, n) => `${id} ${n + 1}`)),
  run: (key) => {
    const [id = '', seed = '1'] = key.split(' ');
    const situation = id as SituationId;
    const lesson = TEMPTATIONS[situation] ? { lesson: lessonShows(situation, Number(seed)) } : {};
    return { ...liveByToday(situation, Number(seed), USUAL), ...lesson };
  },
  report: (all) => {
    const rows = all as unknown as Row[];
    const middle = (values: readonly number[]) =>
      values.length === 0 ? null : round(quantileOfSorted(sortedCopy(values), 0.5));
    return SITUATION_IDS.map((id) => {
      const of = rows.filter(({ key }) => key.startsWith(`${id} `));
      const ready = of.filter((row) => row.ready !== null);
      return {
        situation: id,
        keepers: of.length,
        ready: ready.length,
        falseReady: ready.filter((row) => row.peak > 0.25 || row.deaths > 0).length,
        deaths: of.reduce((sum, row) => sum + row.deaths, 0),
        readyOnMedian: middle(ready.flatMap((row) => row.ready ?? [])),
        trulyOnMedian: middle(of.flatMap((row) => row.truly ?? [])),
        testsMedian: middle(of.map((row) => row.tests)),
        lessonShows: of.filter(({ lesson }) => lesson).length,
      };
    });
  },
};

/** Random lives hashed by all their bits, forty to a key: equal on every machine. */
export const prints: Study = {
  keys: (size) => Array.from({ length: size }, (_, n) => String(n)),
  run: (key) => ({ print: practicePrints(40, 40 * Number(key)) }),
  report: (rows) => rows.map(({ key, print }) => ({ lives: `from ${Number(key) * 40}`, print })),
};
