import { quantileOfSorted, sortedCopy } from '../src/core/math/quantile';
import { SITUATION_IDS, type SituationId } from '../src/core/practice/situations/situations';
import { trulyCarries } from '../src/core/practice/after/ready';
import { deedsOf } from '../src/core/practice/deeds/deeds';
import { liveByToday, type PracticeOutcome } from '../src/testing/heldOut/practiceLives';
import { practiceTrials, type PracticeTrial } from '../src/testing/heldOut/practiceTrials';
import { reportOf } from '../src/testing/heldOut/study';
import { lessonShows, TEMPTATIONS } from '../src/testing/heldOut/temptations';
import { round, type Study } from './study';

const USUAL = { seed: 1, particles: 140, otherParticles: 24, members: 140 };
/** A look at Today at which the rules for done grant: what is truly so, and whether *ready* was said. */
interface Granted {
  able: boolean;
  ready: boolean;
}
const SHARES = [0.55, 0.75, 0.9];
type Row = PracticeOutcome & { key: string; lesson?: boolean; granted: Granted[] };

/** What the verdict made of the looks at which the rules alone grant. */
function verdictOn(looks: readonly Granted[]) {
  const able = looks.filter((look) => look.able);
  return {
    granted: looks.length,
    grantedUnable: looks.length - able.length,
    readyUnable: looks.filter((look) => look.ready && !look.able).length,
    ableWithheld: round(able.filter(({ ready }) => !ready).length / Math.max(1, able.length)),
  };
}

/** Each situation lived by what Today says, and by what it tempts to; of each so many seeds. */
export const practice: Study = {
  keys: (size) =>
    SITUATION_IDS.flatMap((id) => Array.from({ length: size }, (_, n) => `${id} ${n + 1}`)),
  run: (key) => {
    const [id = '', seed = '1'] = key.split(' ');
    const situation = id as SituationId;
    const lesson = TEMPTATIONS[situation] ? { lesson: lessonShows(situation, Number(seed)) } : {};
    const granted: Granted[] = [];
    const outcome = liveByToday(
      situation,
      Number(seed),
      USUAL,
      (life, { granted: rules, ready }) => {
        if (!rules) return;
        const able = trulyCarries(life.begun.start, deedsOf(life.revisions), life.now);
        granted.push({ able, ready });
      },
    );
    return { ...outcome, granted, ...lesson };
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
        ...verdictOn(of.flatMap(({ granted }) => granted)),
      };
    });
  },
};

/** The forecast of plain keepers at the free situations, asked at shares of the way: as the other draws are. */
export const practiceForecast: Study = {
  keys: (size) => Array.from({ length: size }, (_, n) => String(n)),
  run: (key) => ({ trials: practiceTrials(70_001 + Number(key), SHARES, USUAL) }),
  report: (all) => {
    // What never comes is written as null.
    const numbers = (trial: PracticeTrial) =>
      Object.fromEntries(
        Object.entries(trial).map(([name, value]) => [name, value ?? Infinity]),
      ) as unknown as PracticeTrial;
    const trials = (all as unknown as { trials: PracticeTrial[] }[]).flatMap((row) =>
      row.trials.map(numbers),
    );
    const usually = (method: string) =>
      quantileOfSorted(
        sortedCopy(trials.flatMap((one) => (one.method === method ? [one.clears] : []))),
        0.5,
      );
    return SHARES.map((share) => ({
      share,
      ...reportOf(
        trials
          .filter((trial) => trial.share === share)
          .map((trial) => ({ ...trial, thumb: usually(trial.method) })),
      ),
    }));
  },
};
