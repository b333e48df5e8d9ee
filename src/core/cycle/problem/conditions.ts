import { countedReadings, type TankHistory } from '../../history/tankHistory';
import { PARAMETERS } from '../../parameters/registry';
import { environmentOf, type Conditions, type Environment } from '../kinetics/environment';
import { DAY_MS } from '../../time/zone';
import type { CycleProblem, Knot } from './types';

/** What is assumed where nobody measured. */
export const UNMEASURED = { temperature: 25.5, ph: 8.0, salinity: 35, alkalinity: 8 } as const;

/** Readings of a parameter as knots; what lies beyond what is likely is taken at its edge. */
function knotsOf(
  history: TankHistory,
  parameter: 'temperature' | 'ph' | 'salinity',
  origin: number,
): Knot[] {
  const { low, high } = PARAMETERS[parameter].likely;
  const room = (high - low) * 0.5;
  return countedReadings(history, parameter).map((reading) => ({
    day: (reading.at - origin) / DAY_MS,
    value: Math.min(high + room, Math.max(low - room, reading.best)),
  }));
}

/** The knots of temperature, pH, salinity and light since the origin. */
export function conditionKnots(history: TankHistory, origin: number): CycleProblem['conditions'] {
  const lit: Knot[] = [{ day: -1, value: 0 }];
  for (const light of history.entries.light) {
    lit.push({ day: (light.at - origin) / DAY_MS, value: light.entry.state === 'on' ? 1 : 0 });
  }
  return {
    temperature: knotsOf(history, 'temperature', origin),
    ph: knotsOf(history, 'ph', origin),
    salinity: knotsOf(history, 'salinity', origin),
    lit,
  };
}

/** Between two knots straight from one to the other; before the first and after the last, as they were. */
export function interpolate(knots: readonly Knot[], day: number, otherwise: number): number {
  const after = knots.findIndex((knot) => knot.day > day);
  if (after === 0) return knots[0]?.value ?? otherwise;
  const last = knots.at(-1);
  if (after === -1) return last?.value ?? otherwise;
  const a = knots[after - 1];
  const b = knots[after];
  if (!a || !b) return otherwise;
  return b.day === a.day
    ? b.value
    : a.value + ((b.value - a.value) * (day - a.day)) / (b.day - a.day);
}

function held(knots: readonly Knot[], day: number): number {
  let value = 0;
  for (const knot of knots) if (knot.day <= day) value = knot.value;
  return value;
}

/** The conditions at a day of the run. */
export function conditionsAt(problem: CycleProblem, day: number): Conditions {
  const { temperature, ph, salinity, lit } = problem.conditions;
  return {
    temperature: interpolate(temperature, day, UNMEASURED.temperature),
    ph: interpolate(ph, day, UNMEASURED.ph),
    salinity: interpolate(salinity, day, UNMEASURED.salinity),
    lit: held(lit, day) > 0,
  };
}

/** The environment from the origin to the moment that is asked about. */
export function pastEnvironment(problem: CycleProblem): Environment {
  const days = problem.steps / problem.stepsPerDay;
  return environmentOf(days, (day) => conditionsAt(problem, day), problem.stepsPerDay);
}

/** The environment ahead: things stay as they are, but for what is changed on purpose. */
export function environmentAhead(
  problem: CycleProblem,
  days: number,
  changed: Partial<Conditions> = {},
): Environment {
  const now = { ...conditionsAt(problem, problem.steps / problem.stepsPerDay), ...changed };
  return environmentOf(days, () => now, problem.stepsPerDay);
}
