import { tankHistory } from '../src/core';
import { cycleProblem, forecastOf } from '../src/core/cycle/forecast';
import { DAY_MS } from '../src/core/time/zone';
import { FILLED } from '../src/testing/logBuilder';
import { logOf } from '../src/testing/heldOut/keeper';
import { middlingReef, plainLife } from '../src/testing/heldOut/plainLife';
import { follow, type Policy } from '../src/testing/heldOut/policies';
import { drawLives, METHODS, reportOf, study } from '../src/testing/heldOut/study';
import { print, round3, timed } from './print';

/** Figures of the cycle engine. Numbers of tanks may be given: `npm run bench -- 102 18`. */
const tanks = Number(process.argv[2] ?? 102);
const followed = Number(process.argv[3] ?? 18);

/** A bottled tank on day 25, tested 20 times for ammonia and nitrite: 40 readings. */
function fortyReadings() {
  const life = plainLife(
    middlingReef('bottle'),
    [
      { day: 1, believed: 1.6 },
      { day: 12, believed: 1.6 },
    ],
    {
      every: 1.2,
      days: 25,
    },
  );
  const log = logOf(life, 25);
  const at = FILLED + 25 * DAY_MS;
  return cycleProblem(tankHistory(log.log(), log.tankId, at), at);
}

const problem = fortyReadings();
const cold = performance.now();
forecastOf(problem, { seed: 1 });
print('forecast', {
  readings: problem.observations.length,
  day: 25,
  firstMs: round3(performance.now() - cold),
  againMs: timed(() => forecastOf(problem, { seed: 1 }), 5),
  limitMs: 1500,
});

const SHARES = [0.55, 0.75, 0.9];
const LIMITS = [0.85, 0.8, 0.65];
// Apart from the seeds that the ends of the range were set on (11, 12 and 2026).
const trials = study(drawLives(tanks, 4242), SHARES, { seed: 1 });
SHARES.forEach((share, i) => {
  const report = reportOf(trials.filter((t) => t.share === share));
  print('heldOut', {
    share,
    tanks: report.trials,
    coverage: round3(report.coverage),
    coverageWanted: '0.75-0.9',
    medianErrorDays: round3(report.medianError),
    thumbErrorDays: round3(report.thumbError),
    ratio: round3(report.ratio),
    ratioLimit: LIMITS[i] ?? 0,
    ratioToThumbThatLooksAtTheDate: round3(report.ratioLate),
    misfits: report.misfits,
  });
});
for (const method of METHODS) {
  const report = reportOf(trials.filter((t) => t.method === method));
  print('heldOutMethod', {
    method,
    trials: report.trials,
    coverage: round3(report.coverage),
    ratio: round3(report.ratio),
  });
}

const lives = drawLives(followed, 77);
const totals: Record<Policy, { tests: number; days: number; certain: number; errors: number[] }> = {
  everySecondDay: { tests: 0, days: 0, certain: 0, errors: [] },
  nextBest: { tests: 0, days: 0, certain: 0, errors: [] },
};
lives.forEach((life, index) => {
  for (const policy of ['everySecondDay', 'nextBest'] as const) {
    const result = follow(life, policy, 1000 + index);
    const total = totals[policy];
    total.tests += result.tests;
    total.days += result.day;
    total.certain += Number(result.certain);
    total.errors.push(result.error);
  }
});
for (const policy of ['everySecondDay', 'nextBest'] as const) {
  const total = totals[policy];
  print('tests', {
    policy,
    tanks: lives.length,
    testsEach: round3(total.tests / lives.length),
    certainOn: round3(total.days / lives.length),
    certain: total.certain,
    medianErrorDays: round3(
      [...total.errors].sort((a, b) => a - b)[Math.floor(lives.length / 2)] ?? 0,
    ),
  });
}
print('tests', {
  fewerShare: round3(1 - totals.nextBest.tests / totals.everySecondDay.tests),
  wanted: 0.333,
});
