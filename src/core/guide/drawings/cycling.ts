import { steadyEnvironment } from '../../cycle/kinetics/environment';
import { packEvents, type CycleEvent } from '../../cycle/kinetics/events';
import { freshStart, typicalParameters, type Seed } from '../../cycle/kinetics/parameters';
import { courseFor, runCycle } from '../../cycle/kinetics/run';
import { FIRST_LOAD, SAFE } from '../../cycle/verdict/safe';
import { freeAmmoniaFraction } from '../../seawater/ammonia';
import { FULL_SALINITY } from '../../units/constants';
import { say } from '../../units/format';
import type { PageDrawing, Point } from './drawing';

/** mg N/L: 2 ppm as NH4, the usual dose. */
const DOSE = 1.55;
/** Nitrite above this is seen by a card, below this it is gone, mg N/L. */
const SEEN = 0.1;
/** What alkalinity new salt water has, dKH. */
const NEW_WATER = 8;

/** The typical tank of a seeding, with what is done to it by the day. */
function typical(
  seed: Seed,
  days: number,
  done: readonly ({ day: number } & Omit<CycleEvent, 'step'>)[],
) {
  const environment = steadyEnvironment(days);
  const { stepsPerDay } = environment;
  const parameters = typicalParameters(seed);
  const course = courseFor(environment);
  const events = done.map(({ day, ...what }) => ({ ...what, step: Math.round(day * stepsPerDay) }));
  runCycle(parameters, environment, packEvents(events), freshStart(parameters, NEW_WATER), course);
  return { ...course, at: (day: number) => Math.round(day * stepsPerDay) };
}

/** No card tells a hundredth, and less is nothing. */
const hundredths = (value: number | undefined) => Math.round((value ?? 0) * 100) / 100;

/** Nitrite of the typical tank of a seeding after one dose, and the days on which it is seen, highest and gone. */
function nitriteOf(seed: Seed) {
  const days = 70;
  const { nitrite, at } = typical(seed, days, [{ day: 0, ammonia: DOSE }]);
  const points = Array.from({ length: days + 1 }, (_, day): Point => [
    day,
    hundredths(nitrite[at(day)]),
  ]);
  const peak = points.reduce((a, b) => (b[1] > a[1] ? b : a));
  const seen = points.find(([, value]) => value > SEEN)?.[0] ?? 0;
  const gone = points.find(([day, value]) => day > peak[0] && value < SEEN)?.[0] ?? days;
  return { points: points.slice(0, Math.min(days, gone + 7) + 1), seen, peak: peak[0], gone };
}

/** Nitrite in the typical tank from dry rock, dosed once at the start. */
export function cycling(): PageDrawing {
  const { points, seen, peak, gone } = nitriteOf('dryRock');
  return {
    shape: { kind: 'curve', points, over: 'days' },
    unit: 'ppm',
    digits: 2,
    caption: `Nitrite, as nitrogen, in a typical tank from dry rock after one dose of 2 ppm, by the model that makes the forecasts: seen from about day ${seen}, highest about day ${peak}, gone about day ${gone}. Tanks differ: once yours has tests, Cycle tells its own days.`,
  };
}

/** The same with bottled bacteria. */
export function bottled(): PageDrawing {
  const [bottle, dry] = [nitriteOf('bottle'), nitriteOf('dryRock')];
  return {
    shape: { kind: 'curve', points: bottle.points, over: 'days' },
    unit: 'ppm',
    digits: 2,
    caption: `Nitrite, as nitrogen, in a typical tank from dry rock with a bottle that works, by the model that makes the forecasts: gone about day ${bottle.gone}, without the bottle about day ${dry.gone}. A bottle that sat in the heat does nothing, and only tests tell which one yours was.`,
  };
}

/** The days on which the typical tank from dry rock is dosed: at the start, and once ammonia is gone. */
const TWICE = [0, 18].map((day) => ({ day, ammonia: DOSE }));
/** The day on which both are gone after those. */
function readyDay(): number {
  const { ammonia, nitrite, at } = typical('dryRock', 90, TWICE);
  for (let day = 20; day < 90; day += 1) {
    if ((ammonia[at(day)] ?? 0) < SEEN && (nitrite[at(day)] ?? 0) < SEEN) return day;
  }
  return 90;
}

/** A dose on the day after both first read zero, hour by hour. */
export function proved(): PageDrawing {
  const proof = { day: readyDay() + 1, ammonia: DOSE / 2 };
  const { ammonia, nitrite, at } = typical('dryRock', proof.day + 4, [...TWICE, proof]);
  const points = Array.from({ length: 73 }, (_, hour): Point => {
    const step = at(proof.day + hour / 24) + 1;
    return [hour, hundredths((ammonia[step] ?? 0) + (nitrite[step] ?? 0))];
  });
  const gone = points.find(([, left]) => left < SEEN)?.[0];
  return {
    shape: { kind: 'curve', points, over: 'hours' },
    unit: 'ppm',
    digits: 2,
    caption: `Both read zero in a typical tank on day ${proof.day - 1}, and 1 ppm is dosed on the next, ${say(DOSE / 2, 2)} ppm as nitrogen: ammonia and nitrite together are at ${say(points[24]?.[1] ?? 0, 2)} ppm after a day and ${gone === undefined ? 'still there after three' : `gone after about ${gone} hours`}. Zeros say that nothing is left over; only a dose says how much the filter bacteria can take.`,
  };
}

/** Alkalinity of a tank that is dosed again and again while it cycles. */
export function eaten(): PageDrawing {
  const every = 7;
  const doses = Array.from({ length: 8 }, (_, i) => ({ day: i * every, ammonia: DOSE }));
  const days = 63;
  const { alkalinity, at } = typical('bottle', days, doses);
  const points = Array.from({ length: days + 1 }, (_, day): Point => [
    day,
    alkalinity[at(day)] ?? 0,
  ]);
  const end = points.at(-1)?.[1] ?? 0;
  return {
    shape: { kind: 'curve', points, over: 'days' },
    unit: 'dKH',
    digits: 2,
    caption: `Alkalinity of a typical tank that is dosed 2 ppm once a week while it cycles, with nothing added: from ${NEW_WATER} to ${say(end, 2)} dKH in nine weeks. What turns ammonia into nitrate uses it up; corals and coralline algae use it as well.`,
  };
}

/** Ammonia or nitrite after so many small fish are added at once to a tank that is just ready. */
export function atOnce(): PageDrawing {
  const day = readyDay() + 2;
  const parts = 4;
  const peakOf = (fish: number) => {
    const load = Array.from({ length: FIRST_LOAD.days * parts }, (_, i) => ({
      day: day + i / parts,
      ammonia: (fish * FIRST_LOAD.nitrogen) / parts,
    }));
    const { ammonia, nitrite, at } = typical('dryRock', day + 16, [...TWICE, ...load]);
    let highest = 0;
    for (let step = at(day); step <= at(day + FIRST_LOAD.days); step += 1) {
      highest = Math.max(highest, ammonia[step] ?? 0, nitrite[step] ?? 0);
    }
    return highest;
  };
  const points = Array.from({ length: 13 }, (_, fish): Point => [fish, hundredths(peakOf(fish))]);
  const over = points.find(([, peak]) => peak > SAFE) ?? points[12];
  return {
    shape: { kind: 'curve', points, over: 'small fish at once', goal: SAFE },
    unit: 'ppm',
    digits: 2,
    caption: `The highest that ammonia or nitrite comes to within a fortnight, as nitrogen, where so many small fish join a typical tank on one day, soon after it was ready: one comes to ${say(points[1]?.[1] ?? 0, 2)} ppm, ${over?.[0]} to ${say(over?.[1] ?? 0, 2)}, over the line at ${SAFE}. Begin with one or two: the filter bacteria grow with what they are fed, and yours may be weaker than these. The shop question asks your own tank.`,
  };
}

/** The share of ammonia that is free, by pH. */
export function freeShare(): PageDrawing {
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
