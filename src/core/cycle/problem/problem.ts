import { hasAnimals } from '../doseAdvice';
import { countedReadings, type TankHistory } from '../../history/tankHistory';
import { DAY_MS } from '../../time/zone';
import { MEQ_PER_DKH } from '../../units/constants';
import {
  changeAddition,
  fishAdditions,
  fishNitrogen,
  doseAddition,
  otherAdditions,
  type Undated,
} from './additions';
import { NEW_SALT } from '../alkalinity';
import { conditionKnots, UNMEASURED } from './conditions';
import { KitTable, observationOf } from './observations';
import { probedAmmonia } from '../verdict/probe';
import { remarksOf } from './remarks';
import { doneRuleFacts } from './doneRuleFacts';
import { seedPrior, unknownSeed } from './seeding';
import { StepOrder } from './steps';
import { NITROGEN, type Addition, type CycleProblem, type Observation } from './types';

/** Days looked back at most: filter bacteria forget, and a year of hours would be slow for nothing. */
export const LOOK_BACK_DAYS = 120;

/** Two-hour steps for the quick weeks of a young tank, coarser ones for the slow months of an old one. */
function stepsPerDayFor(days: number): number {
  if (days <= 14) return 12;
  return days <= 60 ? 8 : 6;
}

type Dated = { at: number; order: number } & (
  | { kind: 'event'; addition: Undated }
  | { kind: 'reading'; reading: TankHistory['readings']['ammonia'][number] }
);

/** Everything that happened from the origin on, in order; of things at one moment tests come first. */
function datedThings(history: TankHistory, origin: number, at: number): Dated[] {
  const things: Dated[] = [];
  const event = (when: number, addition: Undated | null) => {
    if (addition && when >= origin && when <= at) {
      things.push({ at: when, order: 1, kind: 'event', addition });
    }
  };
  for (const dose of history.entries.dose) event(dose.at, doseAddition(dose, history));
  for (const change of history.entries.waterChange)
    event(change.at, changeAddition(change, history));
  for (const other of otherAdditions(history)) event(other.at, other.addition);
  for (const fish of fishAdditions(history, origin, at)) event(fish.at, fish.addition);
  for (const reading of countedReadings(history, 'alkalinity')) {
    event(reading.at, {
      source: 'exact',
      ownSd: 0,
      alkalinityIs: Math.max(0, reading.best / MEQ_PER_DKH),
    });
  }
  const readings = [
    ...NITROGEN.map((parameter) => history.readings[parameter]),
    probedAmmonia(history),
  ];
  for (const reading of readings.flat()) {
    if (reading.at >= origin && reading.at <= at) {
      things.push({ at: reading.at, order: 0, kind: 'reading', reading });
    }
  }
  return things.sort((a, b) => a.at - b.at || a.order - b.order);
}

function firstMoment(history: TankHistory, at: number): number {
  const starts = [history.start ?? at];
  for (const list of [history.entries.dose, history.readings.ammonia, history.readings.nitrite]) {
    if (list[0]) starts.push(list[0].at);
  }
  return Math.min(at, ...starts);
}

/** Spread of a test of alkalinity, and of what salt mixes and tanks have, sd of the natural log. */
const ALKALINITY_SD = { tested: 0.05, untested: NEW_SALT.sd };
/** Days in which a reading of alkalinity says a third of what it said of the time before it. */
const ALKALINITY_DAYS = 7;

/** Alkalinity at the origin: by the first reading, the less the later it was made. */
function startingAlkalinity(additions: readonly Addition[], stepsPerDay: number) {
  const first = additions.find((a) => a.alkalinityIs !== undefined);
  const value = first?.alkalinityIs ?? 0;
  if (!first || value <= 0) return { value: UNMEASURED.alkalinity, sd: ALKALINITY_SD.untested };
  const weight = Math.exp(-first.step / stepsPerDay / ALKALINITY_DAYS);
  return {
    value: value ** weight * UNMEASURED.alkalinity ** (1 - weight),
    sd: weight * ALKALINITY_SD.tested + (1 - weight) * ALKALINITY_SD.untested,
  };
}

/**
 * Turns a tank's history into the problem that the inference solves.
 * @param at the moment it is asked at, ms; later entries are left out
 */
export function cycleProblem(history: TankHistory, at: number): CycleProblem {
  const first = firstMoment(history, at);
  const windowed = at - first > LOOK_BACK_DAYS * DAY_MS;
  const origin = windowed ? at - LOOK_BACK_DAYS * DAY_MS : first;
  const days = (at - origin) / DAY_MS;
  const stepsPerDay = stepsPerDayFor(days);
  const steps = Math.ceil(days * stepsPerDay);
  const order = new StepOrder(origin, stepsPerDay);
  const table = new KitTable(history);
  const additions: Addition[] = [];
  const observations: Observation[] = [];
  for (const thing of datedThings(history, origin, at)) {
    if (thing.kind === 'event') {
      additions.push({ step: order.eventStep(thing.at), ...thing.addition });
    } else {
      const observation = observationOf(history, thing.reading, table, order);
      if (observation) observations.push(observation);
    }
  }
  // Landing in order may push the last things past `at` by a step or two.
  const last = Math.max(
    steps,
    1,
    ...observations.map((o) => o.index),
    ...additions.map((a) => a.step + 1),
  );
  const { tank, netLitres } = history;
  const fish = fishNitrogen(history, at);
  return {
    tankId: history.tankId,
    zone: tank.zone,
    origin,
    at,
    stepsPerDay,
    steps: last,
    windowed,
    conditions: conditionKnots(history, origin),
    alkalinity: startingAlkalinity(additions, stepsPerDay),
    seed: windowed ? unknownSeed(tank, netLitres) : seedPrior(tank, netLitres),
    additions,
    kits: table.kits,
    observations,
    doneRule: tank.doneRule,
    facts: doneRuleFacts(history, at),
    remarks: remarksOf(history, at, windowed ? LOOK_BACK_DAYS : null),
    fish,
    animals: hasAnimals(history),
    fed:
      fish > 0 ||
      additions.some((a) => (a.ammonia ?? 0) > 0 || (a.organic ?? 0) > 0) ||
      tank.rock === 'organicDryRock' ||
      observations.some((o) => o.parameter !== 'nitrate' && o.low > 0),
  };
}
