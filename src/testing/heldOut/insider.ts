import { sampleTarget } from '@/core/cycle/inference/smc';
import { weighByAsking } from '@/core/cycle/forecast/course/asAsked';
import { normalCdf } from '@/core/math/normal';
import { weightedQuantile } from '@/core/math/quantile';
import { chanceOfStep, eyesFrom, PER_N, USUAL_STEPS, type Eyes, type Life } from './keeper';
import { LIFE_DAYS, reefFrom, runReef, trueReadyDay, type Luck, type Reef } from './reef';
import type { Forecaster } from './study';

/** Numbers that a tank and its keeper are drawn from: as many as are asked for. */
function numbersDrawn(): number {
  let drawn = 0;
  const count = () => {
    drawn += 1;
    return 0;
  };
  const luck = { normal: count, even: count };
  reefFrom('bottle', luck.normal(), luck, new Float64Array(0));
  eyesFrom(luck);
  return drawn;
}
const NUMBERS = numbersDrawn();

/** Hands out the numbers of a particle as if they were drawn. */
function luckFrom(z: Float64Array, at: number): Luck {
  let next = at;
  const normal = () => z[next++] ?? 0;
  return { normal, even: () => normalCdf(normal()) };
}

function tankOf(life: Life, z: Float64Array, at: number): { reef: Reef; eyes: Eyes } {
  const luck = luckFrom(z, at);
  const { method, temperature, alkalinity } = life.reef;
  const reef = reefFrom(method, luck.normal(), luck, temperature);
  // What the keeper measured of the water is known to it.
  return { reef: { ...reef, alkalinity }, eyes: eyesFrom(luck) };
}

/**
 * A forecaster that nobody has at home: it knows the very model that a tank was made by, how likely
 * each tank and each keeper was, the temperature of every hour, and how cards are misread. It is not
 * told nitrate, which nitrite in the water spoils. What it can't tell from the readings nobody can,
 * so its figures are the bound that a forecast is held to.
 * @throws RangeError for a keeper who reads other than the usual cards
 */
export const byInsider =
  (seed: number, count = 240): Forecaster =>
  (life, day) => {
    if (life.keeper.kits !== 'usualCards') throw new RangeError('It knows the usual cards alone.');
    const doses = life.doses.filter((dose) => dose.day <= day);
    const testSessions = life.testSessions.filter((testSession) => testSession.day <= day);
    const hours = testSessions.map((testSession) => Math.round(testSession.day * 24));
    const { particles } = sampleTarget(
      {
        size: NUMBERS,
        logLikelihood: (z, at) => {
          const { reef, eyes } = tankOf(life, z, at);
          const course = runReef(reef, doses, [], Math.max(0, ...hours));
          let sum = 0;
          testSessions.forEach((testSession, row) => {
            for (const name of ['ammonia', 'nitrite'] as const) {
              const step = testSession[name];
              if (step === null) continue;
              const shown = (course[name][hours[row] ?? 0] ?? 0) * PER_N[name];
              const bias = name === 'ammonia' ? eyes.ammoniaBias : eyes.nitriteBias;
              sum += Math.log(chanceOfStep(shown, USUAL_STEPS[name], step, { ...eyes, bias }));
            }
          });
          return Number.isNaN(sum) ? -Infinity : sum;
        },
      },
      { count, seed },
    );
    const days: number[] = [];
    const capacities: number[] = [];
    for (let particle = 0; particle < count; particle += 1) {
      const course = runReef(tankOf(life, particles, particle * NUMBERS).reef, doses);
      days.push(Math.min(LIFE_DAYS, trueReadyDay(course)));
      capacities.push(course.capacityB[Math.round(day * 24)] ?? 0);
    }
    const { weights } = weighByAsking(
      days.map((clear) => Math.max(day, clear, 1)),
      day,
    );
    const quantile = (values: readonly number[], q: number) => {
      const order = values.map((_, i) => i).sort((a, b) => (values[a] ?? 0) - (values[b] ?? 0));
      return weightedQuantile(values, weights, order, q);
    };
    return {
      low: quantile(days, 0.1),
      middle: quantile(days, 0.5),
      high: quantile(days, 0.9),
      misfit: false,
      capacityB: quantile(capacities, 0.5),
    };
  };
