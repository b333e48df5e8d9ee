import { normalCdf, normalsFrom } from '@/core/math/normal';
import type { Random } from '@/core/math/random';
import { DAY_MS } from '@/core/time/zone';
import { FILLED, LogBuilder, type TestTank } from '../logBuilder';
import {
  runReef,
  trueReadyDay,
  LIFE_DAYS,
  type Luck,
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
  /** Chance that a reading is any step at all. */
  blunder: number;
  /** What they read ammonia and nitrite with. */
  kits: KitsOf;
  /** Mean days between two tests. */
  every: number;
  /** Chance that a test session leaves nitrite out. */
  skips: number;
  /** What they dose each time, mg N/L by their sums. */
  dose: number;
  /** Doses they give at most. */
  doses: number;
}

/** What a keeper reads ammonia and nitrite with, ppm of NH4 and NO2: the steps of two cards, or meters. */
export type KitsOf = 'usualCards' | 'fineCards' | 'meters';

/** How a keeper reads a card. */
export type Eyes = Pick<Keeper, 'ammoniaBias' | 'nitriteBias' | 'scatter' | 'blunder'>;

export function eyesFrom({ normal, even }: Luck): Eyes {
  return {
    ammoniaBias: Math.exp(0.15 * normal()),
    nitriteBias: Math.exp(0.15 * normal()),
    scatter: 0.18 + 0.14 * even(),
    blunder: 0.02,
  };
}

export function drawKeeper(random: Random): Keeper {
  const normal = normalsFrom(random);
  return {
    ...eyesFrom({ normal, even: random }),
    kits: 'usualCards',
    every: 1.5 + 3 * random(),
    skips: 0.25 * random(),
    // Two ppm, as one basis or another counts it.
    dose: (random() < 0.5 ? 1.55 : 2) * Math.exp(0.1 * normal()),
    doses: 1 + Math.floor(3 * random()),
  };
}

/** Keepers of wider kinds: other eyes, other cards, meters, more slips and more that is off. */
export function drawHarderKeeper(random: Random): Keeper {
  const normal = normalsFrom(random);
  const kits = random();
  return {
    ...drawKeeper(random),
    ammoniaBias: Math.exp(0.22 * normal()),
    nitriteBias: Math.exp(0.22 * normal()),
    scatter: 0.08 + 0.42 * random(),
    blunder: 0.01 + 0.04 * random(),
    kits: kits < 0.4 ? 'usualCards' : kits < 0.75 ? 'fineCards' : 'meters',
  };
}

export const USUAL_STEPS = { ammonia: [0, 0.25, 0.5, 1, 2, 4], nitrite: [0, 0.25, 0.5, 1, 2, 5] };
const STEPS: Record<'usualCards' | 'fineCards', typeof USUAL_STEPS> = {
  usualCards: USUAL_STEPS,
  fineCards: { ammonia: [0, 0.2, 0.5, 1, 1.5, 3, 5, 8], nitrite: [0, 0.1, 0.3, 0.8, 1.6, 3.3] },
};
const NITRATE_STEPS = [0, 2, 5, 10, 20, 40];
export const PER_N = {
  ammonia: 18.039 / 14.007,
  nitrite: 46.005 / 14.007,
  nitrate: 62.004 / 14.007,
};

/** The scale on which equal ratios look alike to a reader of cards. */
const eye = (value: number) => Math.log(value + 0.12);

/** The chance that a card is read as one of its steps: what `readCard` draws from. */
export function chanceOfStep(
  value: number,
  steps: readonly number[],
  step: number,
  { bias, scatter, blunder }: { bias: number; scatter: number; blunder: number },
): number {
  const place = steps.indexOf(step);
  const below = steps[place - 1];
  const above = steps[place + 1];
  const under = (end: number) => normalCdf((end - eye(value * bias)) / scatter);
  const high = above === undefined ? 1 : under((eye(step) + eye(above)) / 2);
  const low = below === undefined ? 0 : under((eye(below) + eye(step)) / 2);
  return (1 - blunder) * Math.max(0, high - low) + blunder / steps.length;
}

/** The step nearest by eye; now and then any step. */
function readCard(
  value: number,
  steps: readonly number[],
  keeper: { bias: number; scatter: number; blunder: number },
  random: Random,
  normal: Random,
): number {
  if (random() < keeper.blunder) return steps[Math.floor(random() * steps.length)] ?? 0;
  const seen = eye(value * keeper.bias) + keeper.scatter * normal();
  return steps.reduce((best, step) =>
    Math.abs(eye(step) - seen) < Math.abs(eye(best) - seen) ? step : best,
  );
}

/** What a meter shows: hundredths, with a floor of noise and a share. */
function readMeter(
  value: number,
  keeper: { bias: number; scatter: number; blunder: number },
  random: Random,
  normal: Random,
): number {
  if (random() < keeper.blunder) return Math.round(300 * random()) / 100;
  const shown = value * keeper.bias * Math.exp(0.3 * keeper.scatter * normal()) + 0.03 * normal();
  return Math.max(0, Math.round(100 * shown) / 100);
}

export interface TestSession {
  day: number;
  ammonia: number | null;
  nitrite: number | null;
  nitrate: number | null;
  /** Whether a reading of it was a blunder, and not what the eye saw. */
  blundered?: boolean;
}

export interface Life {
  reef: Reef;
  keeper: Keeper;
  doses: TrueDose[];
  course: TrueCourse;
  /** Day on which both are clear for good, with all the doses. */
  readyDay: number;
  /** Sittings with what was read, in order. */
  testSessions: TestSession[];
}

const at = (series: Float64Array, day: number) =>
  series[Math.min(series.length - 1, Math.round(day * 24))] as number;

/** What this keeper would read on a day. */
export function readTestSession(
  life: Pick<Life, 'keeper' | 'course'>,
  day: number,
  what: { ammonia: boolean; nitrite: boolean; nitrate?: boolean },
  random: Random,
): TestSession {
  const normal = normalsFrom(random);
  const { keeper, course } = life;
  const { scatter, blunder, kits } = keeper;
  const shown = (name: 'ammonia' | 'nitrite' | 'nitrate') => at(course[name], day) * PER_N[name];
  const read = (name: 'ammonia' | 'nitrite', bias: number) =>
    kits === 'meters'
      ? readMeter(shown(name), { bias, scatter, blunder }, random, normal)
      : readCard(shown(name), STEPS[kits][name], { bias, scatter, blunder }, random, normal);
  return {
    day,
    ammonia: what.ammonia ? read('ammonia', keeper.ammoniaBias) : null,
    nitrite: what.nitrite ? read('nitrite', keeper.nitriteBias) : null,
    nitrate: what.nitrate
      ? readCard(shown('nitrate'), NITRATE_STEPS, { bias: 1, scatter, blunder }, random, normal)
      : null,
  };
}

function doseOf(reef: Reef, keeper: Keeper, day: number, random: Random): TrueDose {
  const { ownDoseSd } = reef;
  const off = ownDoseSd > 0 ? Math.exp(ownDoseSd * normalsFrom(random)()) : 1;
  return { day, believed: keeper.dose, off };
}

/** What a keeper calls clear on a meter, ppm; a card's first step above zero is higher. */
const CLEAR_PPM = 0.08;

/** Plays a keeper at a tank: doses, tests at odd times, doses again when ammonia reads clear. */
export function live(reef: Reef, keeper: Keeper, random: Random): Life {
  const doses: TrueDose[] = [doseOf(reef, keeper, 1, random)];
  const testSessions: Life['testSessions'] = [];
  let course = runReef(reef, doses);
  let day = 1.2 + random();
  let lastDose = 1;
  while (day < LIFE_DAYS - 1) {
    const ready = trueReadyDay(course);
    if (day > ready + 3) break;
    const testSession = readTestSession(
      { keeper, course },
      day,
      { ammonia: true, nitrite: random() >= keeper.skips, nitrate: random() < 0.2 },
      random,
    );
    testSessions.push(testSession);
    const { ammonia, nitrite } = testSession;
    const clear = ammonia !== null && ammonia < CLEAR_PPM;
    const wants = doses.length < keeper.doses && clear && day - lastDose > 4;
    if (wants && (nitrite ?? 0) <= 1) {
      lastDose = Math.ceil(day * 24 + 1) / 24;
      doses.push(doseOf(reef, keeper, lastDose, random));
      course = runReef(reef, doses);
    }
    day += Math.max(0.7, keeper.every * (0.5 + random()));
  }
  return { reef, keeper, doses, course, readyDay: trueReadyDay(course), testSessions };
}

/** When both would be clear had nothing been dosed after a day. */
export function readyWithout(life: Life, after: number): number {
  const kept = life.doses.filter((dose) => dose.day <= after);
  return kept.length === life.doses.length ? life.readyDay : trueReadyDay(runReef(life.reef, kept));
}

function logReading(
  builder: LogBuilder,
  when: number,
  parameter: 'ammonia' | 'nitrite',
  read: number,
  kits: KitsOf,
): void {
  const template = parameter === 'ammonia' ? 'ammoniaCard' : 'nitriteCard';
  if (kits === 'meters') {
    const scale = { form: 'digital' as const, resolution: 0.01, accuracy: 0.05, compensated: true };
    builder.digital(template, when, read, { scale });
  } else {
    const steps = STEPS[kits][parameter];
    builder.card(template, when, read, {
      kit: kits === 'usualCards' ? {} : { scale: { form: 'card', steps: [...steps] } },
    });
  }
}

/** What the keeper's log holds up to a day: all that a forecast may know. */
export function logOf(life: Life, until: number, tank: Partial<TestTank> = {}): LogBuilder {
  const { reef } = life;
  const builder = new LogBuilder({
    rock: reef.method === 'liveRock' ? 'liveRock' : 'dryRock',
    doneRule: { rule: 'bothZero' },
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
  life.testSessions.forEach((testSession, index) => {
    if (testSession.day > until) return;
    const when = moment(testSession.day);
    for (const parameter of ['ammonia', 'nitrite'] as const) {
      const read = testSession[parameter];
      if (read !== null) logReading(builder, when, parameter, read, life.keeper.kits);
    }
    if (testSession.nitrate !== null) builder.nitrate(when, testSession.nitrate);
    if (index % 4 === 3) {
      const hour = Math.round(testSession.day * 24);
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
