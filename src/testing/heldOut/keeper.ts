import { normalsFrom } from '@/core/math/normal';
import type { Random } from '@/core/math/random';
import { DAY_MS } from '@/core/time/zone';
import { FILLED, LogBuilder, type TestTank } from '../logBuilder';
import {
  runReef,
  trueReadyDay,
  LIFE_DAYS,
  type Reef,
  type TrueCourse,
  type TrueDose,
} from './reef';

/** A keeper with habits of their own: how they read, how often they test, how they dose. */
export interface Keeper {
  /** Factors by which they and their kits read too high or too low. */
  ammoniaBias: number;
  nitriteBias: number;
  /** Scatter of a reading, sd of the log. */
  scatter: number;
  /** Mean days between two tests. */
  every: number;
  /** Chance that a sitting leaves nitrite out. */
  skips: number;
  /** What they dose each time, mg N/L by their sums. */
  dose: number;
  /** Doses they give at most. */
  doses: number;
}

export function drawKeeper(random: Random): Keeper {
  const normal = normalsFrom(random);
  return {
    ammoniaBias: Math.exp(0.15 * normal()),
    nitriteBias: Math.exp(0.15 * normal()),
    scatter: 0.18 + 0.14 * random(),
    every: 1.5 + 3 * random(),
    skips: 0.25 * random(),
    // Two ppm, as one basis or another counts it.
    dose: (random() < 0.5 ? 1.55 : 2) * Math.exp(0.1 * normal()),
    doses: 1 + Math.floor(3 * random()),
  };
}

const AMMONIA_STEPS = [0, 0.25, 0.5, 1, 2, 4];
const NITRITE_STEPS = [0, 0.25, 0.5, 1, 2, 5];
const NITRATE_STEPS = [0, 2, 5, 10, 20, 40];
const PER_N = { ammonia: 18.039 / 14.007, nitrite: 46.005 / 14.007, nitrate: 62.004 / 14.007 };

/** The step nearest by eye, on a scale on which equal ratios look alike; now and then any step. */
function readCard(
  value: number,
  steps: readonly number[],
  keeper: { bias: number; scatter: number },
  random: Random,
  normal: Random,
): number {
  if (random() < 0.02) return steps[Math.floor(random() * steps.length)] ?? 0;
  const eye = (v: number) => Math.log(v + 0.12);
  const seen = eye(value * keeper.bias) + keeper.scatter * normal();
  return steps.reduce((best, step) =>
    Math.abs(eye(step) - seen) < Math.abs(eye(best) - seen) ? step : best,
  );
}

export interface Sitting {
  day: number;
  ammonia: number | null;
  nitrite: number | null;
  nitrate: number | null;
}

export interface Life {
  reef: Reef;
  keeper: Keeper;
  doses: TrueDose[];
  course: TrueCourse;
  /** Day on which both are clear for good, with all the doses. */
  readyDay: number;
  /** Sittings with what was read, in order. */
  sittings: Sitting[];
}

const at = (series: Float64Array, day: number) =>
  series[Math.min(series.length - 1, Math.round(day * 24))] as number;

/** What this keeper would read on a day. */
export function readSitting(
  life: Pick<Life, 'keeper' | 'course'>,
  day: number,
  what: { ammonia: boolean; nitrite: boolean; nitrate?: boolean },
  random: Random,
): Sitting {
  const normal = normalsFrom(random);
  const { keeper, course } = life;
  const read = (name: 'ammonia' | 'nitrite' | 'nitrate', steps: readonly number[], bias: number) =>
    readCard(
      at(course[name], day) * PER_N[name],
      steps,
      { bias, scatter: keeper.scatter },
      random,
      normal,
    );
  return {
    day,
    ammonia: what.ammonia ? read('ammonia', AMMONIA_STEPS, keeper.ammoniaBias) : null,
    nitrite: what.nitrite ? read('nitrite', NITRITE_STEPS, keeper.nitriteBias) : null,
    nitrate: what.nitrate ? read('nitrate', NITRATE_STEPS, 1) : null,
  };
}

/** Plays a keeper at a tank: doses, tests at odd times, doses again when ammonia reads clear. */
export function live(reef: Reef, keeper: Keeper, random: Random): Life {
  const doses: TrueDose[] = [{ day: 1, believed: keeper.dose }];
  const sittings: Life['sittings'] = [];
  let course = runReef(reef, doses);
  let day = 1.2 + random();
  let lastDose = 1;
  while (day < LIFE_DAYS - 1) {
    const ready = trueReadyDay(course);
    if (day > ready + 3) break;
    const sitting = readSitting(
      { keeper, course },
      day,
      { ammonia: true, nitrite: random() >= keeper.skips, nitrate: random() < 0.2 },
      random,
    );
    sittings.push(sitting);
    const { ammonia, nitrite } = sitting;
    const wants = doses.length < keeper.doses && ammonia === 0 && day - lastDose > 4;
    if (wants && (nitrite ?? 0) <= 1) {
      lastDose = Math.ceil(day * 24 + 1) / 24;
      doses.push({ day: lastDose, believed: keeper.dose });
      course = runReef(reef, doses);
    }
    day += Math.max(0.7, keeper.every * (0.5 + random()));
  }
  return { reef, keeper, doses, course, readyDay: trueReadyDay(course), sittings };
}

/** When both would be clear had nothing been dosed after a day. */
export function readyWithout(life: Life, after: number): number {
  const kept = life.doses.filter((dose) => dose.day <= after);
  return kept.length === life.doses.length ? life.readyDay : trueReadyDay(runReef(life.reef, kept));
}

/** What the keeper's log holds up to a day: all that a forecast may know. */
export function logOf(life: Life, until: number, tank: Partial<TestTank> = {}): LogBuilder {
  const { reef } = life;
  const builder = new LogBuilder({
    rock: reef.method === 'liveRock' ? 'liveRock' : 'dryRock',
    school: { school: 'bothZero' },
    ...tank,
  });
  const moment = (day: number) => FILLED + Math.round(day * DAY_MS);
  builder.digital('thermometer', moment(0.5), Math.round((reef.temperature[12] ?? 25) * 10) / 10);
  builder.digital('alkalinityDrops', moment(0.5), Math.round(reef.alkalinity * 10) / 10);
  if (reef.method === 'bottle') {
    builder.entry(moment(1), {
      kind: 'dose',
      substance: 'bacteria',
      amount: { by: 'mL', mL: 100 },
      strength: null,
      about: false,
    });
  }
  for (const dose of life.doses) {
    if (dose.day <= until) builder.dose(moment(dose.day), dose.believed);
  }
  life.sittings.forEach((sitting, index) => {
    if (sitting.day > until) return;
    const when = moment(sitting.day);
    if (sitting.ammonia !== null) builder.ammonia(when, sitting.ammonia);
    if (sitting.nitrite !== null) builder.nitrite(when, sitting.nitrite);
    if (sitting.nitrate !== null) builder.nitrate(when, sitting.nitrate);
    if (index % 4 === 3) {
      const hour = Math.round(sitting.day * 24);
      builder.digital('thermometer', when, Math.round((reef.temperature[hour] ?? 25) * 10) / 10);
      builder.digital(
        'alkalinityDrops',
        when,
        Math.round((life.course.alkalinity[hour] ?? 8) * 10) / 10,
      );
    }
  });
  return builder;
}
