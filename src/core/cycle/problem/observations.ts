import { cardRange, type Reading } from '../../history/reading';
import { countedReadings, type TankHistory } from '../../history/tankHistory';
import type { Kit } from '../../records/schema/kit';
import { linearToCanonical, type LinearUnit } from '../../units/units';
import { nitriteSpoils } from '../verdict/criteria/chain';
import { isBound } from '../verdict/evidence';
import { isProbed, probedAmmonia } from '../verdict/probe';
import type { StepOrder } from './steps';
import {
  isNitrogen,
  type CycleProblem,
  type Nitrogen,
  type Observation,
  type ProblemKit,
} from './types';

/** Spread of a reader against a card, sd of the natural log. */
const CARD_SIGMA = 0.25;
/** What keeps the logarithm of an instrument's figure finite at zero, mg N/L. */
const HALF_OF_METER = 0.05;
/** Chance that a reading is anything at all: the wrong vial, the wrong card, a slip of the thumb. */
const BLUNDER = 0.02;
/** Reagents past their date are read as more of a guess. */
const EXPIRED = { wider: 1.8, blunder: 0.08 };
/** Nitrate is eaten and made elsewhere too. */
const NITRATE_WEIGHT = 0.5;
/** What a reading counts for while a binder may hold ammonia, which some kits still see. */
const BOUND_WEIGHT = 0.4;
/** A probe tells the same every night, and where it is off it is off every night. */
const PROBE_WEIGHT = 0.3;

/** The kits of the readings, once each, with what the inference needs of them. */
export class KitTable {
  readonly kits: ProblemKit[] = [];
  private readonly places = new Map<string, number>();

  constructor(private readonly history: TankHistory) {}

  private shownBy(reading: Reading & { parameter: Nitrogen }): number {
    const all = isProbed(reading)
      ? probedAmmonia(this.history)
      : countedReadings(this.history, reading.parameter);
    return all.filter((one) => one.kitId === reading.kitId && one.zero === false).length;
  }

  /** Place of a reading's kit in the table. */
  place(reading: Reading & { parameter: Nitrogen }): number {
    const key = `${reading.kitId}/${reading.entry.value.form}/${reading.unit}`;
    const known = this.places.get(key);
    if (known !== undefined) {
      const kit = this.kits[known];
      if (kit) kit.expired = reading.expired;
      return known;
    }
    const { value } = reading.entry;
    const card = value.form === 'card';
    const inCanonical = linearToCanonical(1, reading.unit as LinearUnit);
    const steps = card ? value.steps : [];
    const lowest = steps.find((step) => step > 0) ?? 1;
    this.kits.push({
      id: reading.kitId,
      name: this.history.kits[reading.kitId]?.name ?? 'kit',
      parameter: reading.parameter,
      perN: card ? 1 / inCanonical : 1,
      half: card ? lowest / 2 : HALF_OF_METER,
      // An instrument's own figure is the half width of what its reading stands for.
      sigma: card
        ? CARD_SIGMA
        : Math.max(0.01, (reading.range.high - reading.best) / reading.entry.dilution),
      card,
      ...(isProbed(reading) ? { probe: true } : {}),
      steps: [...steps],
      shown: this.shownBy(reading),
      expired: reading.expired,
    });
    this.places.set(key, this.kits.length - 1);
    return this.kits.length - 1;
  }
}

/** What the keeper tested, without what a probe tells every night: what is next to be tested goes by that. */
export function testsOf({ observations, kits }: Pick<CycleProblem, 'observations' | 'kits'>) {
  return observations.filter(({ kit }) => !kits[kit]?.probe);
}

/** A kit that may be used next, as the inference would see it; null for what it is not inferred from. */
export function kitAtHand(id: string, { name, parameter, unit, scale }: Kit): ProblemKit | null {
  if (!isNitrogen(parameter)) return null;
  const card = scale.form === 'card';
  const steps = card ? scale.steps : [];
  return {
    id,
    name,
    parameter,
    perN: 1 / linearToCanonical(1, unit as LinearUnit),
    half: card ? (steps.find((step) => step > 0) ?? 1) / 2 : HALF_OF_METER,
    sigma: card ? CARD_SIGMA : Math.max(0.01, scale.form === 'digital' ? scale.accuracy : 0),
    card,
    steps: [...steps],
    shown: 0,
    expired: false,
  };
}

function weightOf(history: TankHistory, reading: Reading): number {
  if (reading.parameter === 'nitrate') {
    const reduces = history.kits[reading.kitId]?.reduction ?? true;
    return reduces && nitriteSpoils(history, reading) ? 0 : NITRATE_WEIGHT;
  }
  return (isBound(history, reading) ? BOUND_WEIGHT : 1) * (isProbed(reading) ? PROBE_WEIGHT : 1);
}

/** How much wider than at its kit's first reading a reading stands open. */
function widerOf(reading: Reading, { sigma }: ProblemKit): number {
  if (reading.expired) return EXPIRED.wider;
  // What pH leaves open of a probe's figure grows with the figure.
  return isProbed(reading) ? Math.max(0.1, (reading.range.high - reading.best) / sigma) : 1;
}

/** One reading as the likelihood takes it; null when it cannot count. */
export function observationOf(
  history: TankHistory,
  reading: Reading,
  table: KitTable,
  order: StepOrder,
): Observation | null {
  const { parameter } = reading;
  if (!reading.counts || !isNitrogen(parameter)) return null;
  const weight = weightOf(history, reading);
  if (weight === 0) return null;
  const { value, dilution } = reading.entry;
  const range =
    value.form === 'card'
      ? cardRange(value.steps, value.low, value.high)
      : { low: reading.best / dilution, high: reading.best / dilution };
  const kit = table.place({ ...reading, parameter });
  return {
    entryId: reading.id,
    index: order.readingIndex(reading.at),
    parameter,
    kit,
    low: range.low,
    high: range.high,
    dilution,
    weight,
    blunder: reading.expired ? EXPIRED.blunder : BLUNDER,
    wider: widerOf(reading, table.kits[kit] as ProblemKit),
  };
}
