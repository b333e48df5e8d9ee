import { dripCourse } from '../acclimation/bucket';
import { steadyEnvironment } from '../cycle/kinetics/environment';
import { packEvents } from '../cycle/kinetics/events';
import { freshStart, typicalParameters } from '../cycle/kinetics/parameters';
import { courseFor, runCycle } from '../cycle/kinetics/run';
import { freeAmmoniaFraction } from '../seawater/ammonia';
import { salinityFromSpecificGravity, specificGravity } from '../seawater/specificGravity';
import { FULL_SALINITY } from '../units/constants';
import { say } from '../units/format';

type Point = readonly [x: number, y: number];

/** What a page of the Guide shows: a picture, and what is to be seen in it. */
export interface PageDrawing {
  shape:
    | { kind: 'line'; marks: readonly { at: number; label: string }[] }
    | { kind: 'curve'; points: readonly Point[]; over: string; goal?: number };
  /** What its figures are counted in, and the digits that they deserve. */
  unit: string;
  digits: number;
  caption: string;
}

/** mg N/L: 2 ppm as NH4, the usual dose. */
const DOSE = 1.55;
/** Nitrite above this is seen by a card, below this it is gone, mg N/L. */
const SEEN = 0.1;

/** Nitrite in the typical tank from dry rock, dosed once at the start and once more when ammonia is gone. */
function cycling(): PageDrawing {
  const days = 70;
  const environment = steadyEnvironment(days);
  const { stepsPerDay } = environment;
  const parameters = typicalParameters('dryRock');
  const course = courseFor(environment);
  const start = freshStart(parameters, 8);
  runCycle(parameters, environment, packEvents([{ step: 0, ammonia: DOSE }]), start, course);
  const points = Array.from({ length: days + 1 }, (_, day): Point => [
    day,
    // No card tells a hundredth, and less is nothing.
    Math.round((course.nitrite[day * stepsPerDay] ?? 0) * 100) / 100,
  ]);
  const peak = points.reduce((a, b) => (b[1] > a[1] ? b : a));
  const seen = points.find(([, nitrite]) => nitrite > SEEN)?.[0] ?? 0;
  const gone = points.find(([day, nitrite]) => day > peak[0] && nitrite < SEEN)?.[0] ?? days;
  return {
    shape: { kind: 'curve', points: points.slice(0, Math.min(days, gone + 7) + 1), over: 'days' },
    unit: 'ppm',
    digits: 2,
    caption: `Nitrite, as nitrogen, in a typical tank from dry rock after one dose of 2 ppm, by the model that makes the forecasts: seen from about day ${seen}, highest about day ${peak[0]}, gone about day ${gone}. Tanks differ: once yours has tests, Cycle tells its own days.`,
  };
}

/** The share of ammonia that is free, by pH. */
function freeShare(): PageDrawing {
  const share = (ph: number) => 100 * freeAmmoniaFraction(ph, 25.5, FULL_SALINITY);
  const points = Array.from({ length: 25 }, (_, i): Point => [
    7.4 + i * 0.05,
    share(7.4 + i * 0.05),
  ]);
  return {
    shape: { kind: 'curve', points, over: 'pH 7.4 to 8.6' },
    unit: '%',
    digits: 2,
    caption: `How much of the ammonia is free, the part that harms: ${say(share(7.8), 2)} % at pH 7.8, ${say(share(8.1), 2)} % at 8.1, ${say(share(8.4), 2)} % at 8.4. It doubles with every 0.3.`,
  };
}

/** What a hydrometer's usual mark is in ppt, beside full sea water. */
function gravity(): PageDrawing {
  const marked = salinityFromSpecificGravity(1.025, 'sg25');
  const full = specificGravity(FULL_SALINITY, 'sg25').toFixed(4);
  return {
    shape: {
      kind: 'line',
      marks: [
        { at: marked, label: '1.025 at 25 °C' },
        { at: FULL_SALINITY, label: `${full} at 25 °C` },
      ],
    },
    unit: 'ppt',
    digits: 3,
    caption: `1.025 is not 35 ppt: at 25 °C it is ${say(marked)}, and 35 ppt reads ${full}.`,
  };
}

/** Nitrate under the same change each week. */
function changes(): PageDrawing {
  const [made, share] = [2, 0.15];
  const points: Point[] = [[0, 25]];
  for (let week = 1; week <= 30; week += 1) {
    points.push([week, ((points.at(-1)?.[1] ?? 0) + made) * (1 - share)]);
  }
  const level = (made * (1 - share)) / share;
  return {
    shape: { kind: 'curve', points, over: 'weeks', goal: level },
    unit: 'ppm',
    digits: 2,
    caption: `Nitrate where ${made} ppm are made a week and ${share * 100} % is changed each week: from 25 ppm it comes down towards ${say(level, 2)}, and no lower. Less food or a larger share lowers that.`,
  };
}

/** The salinity in a bucket that is dripped. */
function dripping(): PageDrawing {
  const bag = { salinity: 31, temperature: 24 };
  const tank = { salinity: 35, temperature: 25.5 };
  const drip = { bag, tank, room: 22, litres: 1, mlPerMinute: 20, pourAt: 2 };
  const { points } = dripCourse(drip, 180);
  const curve = points.map(({ minute, salinity }): Point => [minute, salinity]);
  const near = curve.find(([, salinity]) => salinity > tank.salinity - 0.5)?.[0];
  return {
    shape: { kind: 'curve', points: curve, over: 'minutes', goal: tank.salinity },
    unit: 'ppt',
    digits: 3,
    caption: `A litre from a bag at 31 ppt, dripped with 20 mL a minute of water at 35, half of it poured off at 2 L: ${near === undefined ? 'not within half a ppt in three hours' : `within half a ppt after about ${say(near, 2)} minutes`}.`,
  };
}

/** By the page that it stands on. */
export const PAGE_DRAWINGS: ReadonlyMap<string, () => PageDrawing> = new Map([
  ['how-long', cycling],
  ['nitrite-stuck', cycling],
  ['which-ammonia', freeShare],
  ['salinity', gravity],
  ['how-often', changes],
  ['bag', dripping],
]);

/** What a page shows; null for one that shows nothing. */
export function pageDrawing(page: string): PageDrawing | null {
  return PAGE_DRAWINGS.get(page)?.() ?? null;
}
