import { byInsider } from '../src/testing/heldOut/insider';
import { atShares, byForecast, drawLives, reportOf, study } from '../src/testing/heldOut/study';
import { print, round3 } from './print';

/**
 * What can be known from the readings of the held-out tanks at all: the forecast beside a forecaster
 * that knows the model they were made by. A number of tanks may be given.
 */
const tanks = Number(process.argv[2] ?? 102);
const SHARES = [0.55, 0.75, 0.9];
const lives = drawLives(tanks, 4242);
for (const [who, forecaster] of [
  ['insider', byInsider(1)],
  ['forecast', byForecast({ seed: 1 })],
] as const) {
  const trials = study(lives, atShares(SHARES), forecaster);
  for (const share of SHARES) {
    const report = reportOf(trials.filter((t) => Math.abs(t.share - share) < 1e-9));
    print('bound', {
      who,
      share,
      tanks: report.trials,
      coverage: round3(report.coverage),
      widthDays: round3(report.width),
      ratio: round3(report.ratio),
      nitriteCapacityWithinHalf: round3(report.capacity),
    });
  }
}
