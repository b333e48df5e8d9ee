import { forecastOf } from '../src/core/cycle/forecast';
import { addedStudy, heldShare } from '../src/testing/heldOut/added';
import { fortyReadings } from '../src/testing/heldOut/plainLife';
import { follow, type Policy } from '../src/testing/heldOut/policies';
import {
  atShares,
  byForecast,
  drawLives,
  everyFewDays,
  METHODS,
  reportOf,
  study,
} from '../src/testing/heldOut/study';
import { print, round3, timed } from './print';

/** Figures of the cycle engine. Numbers of tanks may be given: `npm run bench -- 300 20`. */
const tanks = Number(process.argv[2] ?? 102);
const followed = Number(process.argv[3] ?? 18);

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
const LIMITS = [0.55, 0.33, 0.25];
// Apart from the seeds that the prior and the ends of the range were set on (57, 58 and 61).
const DRAWS = { usual: 4242, harder: 9001 } as const;
for (const draw of ['usual', 'harder'] as const) {
  const trials = addedStudy(drawLives(tanks, draw === 'usual' ? 777 : 778, draw), 5, { seed: 1 });
  print('added', {
    draw,
    tanks: trials.length,
    heldByMedian: round3(heldShare(trials, 'p50')),
    heldBy90th: round3(heldShare(trials, 'p90')),
    wanted: '0.85-0.95',
  });
}
for (const draw of ['usual', 'harder'] as const) {
  const trials = study(
    drawLives(tanks, DRAWS[draw], draw),
    atShares(SHARES),
    byForecast({ seed: 1 }),
  );
  SHARES.forEach((share, i) => {
    const report = reportOf(trials.filter((t) => Math.abs(t.share - share) < 1e-9));
    print('heldOut', {
      draw,
      share,
      tanks: report.trials,
      coverage: round3(report.coverage),
      coverageWanted: '0.76-0.86',
      widthDays: round3(report.width),
      medianErrorDays: round3(report.medianError),
      thumbErrorDays: round3(report.thumbError),
      ratio: round3(report.ratio),
      ratioLimit: LIMITS[i] ?? 0,
      ratioToThumbThatLooksAtTheDate: round3(report.ratioLate),
      nitriteCapacityWithinHalf: round3(report.capacity),
      misfits: report.misfits,
    });
  });
  for (const method of METHODS) {
    const report = reportOf(trials.filter((t) => t.method === method));
    print('heldOutMethod', {
      draw,
      method,
      trials: report.trials,
      coverage: round3(report.coverage),
      ratio: round3(report.ratio),
    });
  }
}

// Every fourth day of a life, from the first days on: a keeper looks oftener than at three shares.
const anyDay = study(
  drawLives(Math.ceil(tanks / 3), 4243),
  everyFewDays(4),
  byForecast({ seed: 1 }),
);
const PARTS = [0, 0.2, 0.4, 0.6, 0.8, 1.01];
PARTS.slice(0, -1).forEach((from, i) => {
  const part = anyDay.filter((t) => t.share >= from && t.share < (PARTS[i + 1] ?? 2));
  const report = reportOf(part);
  print('heldOutAnyDay', {
    from,
    to: Math.min(1, PARTS[i + 1] ?? 1),
    trials: report.trials,
    coverage: round3(report.coverage),
    medianErrorDays: round3(report.medianError),
  });
});
print('heldOutAnyDay', {
  trials: anyDay.length,
  coverage: round3(reportOf(anyDay).coverage),
});

const lives = drawLives(followed, 77);
type Total = { tests: number; days: number; certain: number; held: number; errors: number[] };
const none = (): Total => ({ tests: 0, days: 0, certain: 0, held: 0, errors: [] });
const totals: Record<Policy, Total> = { everySecondDay: none(), nextBest: none() };
lives.forEach((life, index) => {
  for (const policy of ['everySecondDay', 'nextBest'] as const) {
    const result = follow(life, policy, 1000 + index);
    const total = totals[policy];
    total.tests += result.tests;
    total.days += result.day;
    total.certain += Number(result.certain);
    total.held += Number(result.held);
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
    rangeHeld: total.held,
    medianErrorDays: round3(
      [...total.errors].sort((a, b) => a - b)[Math.floor(lives.length / 2)] ?? 0,
    ),
  });
}
print('tests', {
  fewerShare: round3(1 - totals.nextBest.tests / totals.everySecondDay.tests),
  wanted: 0.333,
});
