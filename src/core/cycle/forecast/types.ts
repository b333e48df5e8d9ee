import type { Assurance } from '../verdict/assurance';
import type { HypothesisId } from '../inference/hypotheses';
import type { Nitrogen } from '../problem/types';

/** Quantiles of a date, ms; null where it lies beyond what is looked ahead. */
export interface DateRange {
  p10: number | null;
  p25: number | null;
  p50: number | null;
  p75: number | null;
  p90: number | null;
}

/** Quantiles of a number. */
export interface ValueRange {
  p10: number;
  p50: number;
  p90: number;
}

/** A band over time: quantiles at each moment. */
export interface SeriesBand {
  at: number[];
  p10: number[];
  p50: number[];
  p90: number[];
}

export type Milestones = Record<'ammoniaClears' | 'nitriteClears' | 'ready', DateRange>;

/** A dose that the chosen rule for done itself asks for. */
export interface ScheduledDose {
  /** ms. */
  p10: number | null;
  p50: number | null;
  p90: number | null;
  /** mg N/L. */
  rise: number;
  /** Share of the tanks in which it is needed. */
  probability: number;
}

export const CAUSES = [
  'simplyEarly',
  'lowAlkalinity',
  'cold',
  'overdose',
  'weakDose',
  'deadBottle',
  'filterBacteriaHarmed',
  'kitSuspect',
  'unloggedDose',
  'notTakenHold',
] as const;
export type CauseId = (typeof CAUSES)[number];

export interface Cause {
  cause: CauseId;
  probability: number;
  /** What speaks for it, in a sentence with its figures. */
  evidence: string;
  remedy: string;
}

export interface TestOutcome {
  /** Ends of the card's steps that lead to it, as they are printed: "0.5 or less". */
  words: string;
  probability: number;
  ready: DateRange;
}

export interface NextTest {
  /** The one that it is chosen for. */
  parameter: Nitrogen;
  /** All that belong to the test session: a proof needs both at zero. */
  parameters: Nitrogen[];
  /** ms. */
  at: number;
  inDays: number;
  because: string;
  /** Share of the uncertainty about the ready date that it is expected to take away, 0 to 1. */
  gain: number;
  /** What is dosed for it first, mg N/L; 0 for nothing. */
  dose: number;
  /**
   * Asked to learn; to show nitrite while it is there; to show what is likely already so; or after a
   * dose now, which is then advised with it.
   */
  purpose: 'learn' | 'show' | 'confirm' | 'challenge';
  outcomes: TestOutcome[];
  /** Tests that would tell little now, by name of parameter. */
  idle: Nitrogen[];
}

export const WHAT_IF_IDS = [
  'doNothing',
  'raiseAlkalinity',
  'warmTo26',
  'doseAgain',
  'addBottle',
] as const;
export type WhatIfId = (typeof WHAT_IF_IDS)[number];

export interface WhatIf {
  id: WhatIfId;
  nitriteClears: DateRange;
  ready: DateRange;
  /** Lowest alkalinity on the way, dKH, median. */
  lowestAlkalinity: number;
  /** Median days sooner (positive) or later that it is ready than by doing nothing. */
  daysSaved: number | null;
}

export interface KitBias {
  kitId: string;
  name: string;
  parameter: Nitrogen;
  /** Factor by which it reads too high (above 1) or too low. */
  bias: ValueRange;
}

/** What the readings say of one tank, at one moment: plain data, rounded. */
export interface Forecast {
  tankId: string;
  at: number;
  seed: number;
  /** How far it looks ahead, ms. */
  until: number;
  /** Whether there is anything to foretell: ammonia on record. */
  fed: boolean;
  milestones: Milestones;
  /** Dates of the chance of being ready in steps of 5 %, from 5 to 95; null beyond. */
  readyBy: (number | null)[];
  scheduledDoses: ScheduledDose[];
  /** mg N/L/day at this tank's pH, temperature and alkalinity now: what it clears in a day. */
  clears: { ammonia: ValueRange; nitrite: ValueRange };
  /** mg N/L/day at 26 °C with plenty of alkalinity, all awake. */
  capacity: { ammonia: ValueRange; nitrite: ValueRange };
  /** mg N/L; `free` is free ammonia. */
  bands: Record<Nitrogen, SeriesBand> & { free: SeriesBand };
  /** dKH ahead. */
  alkalinity: ValueRange & { inDays: number };
  nextTest: NextTest | null;
  stall: Cause[];
  misfit: boolean;
  whatIfs: WhatIf[];
  kits: KitBias[];
  /** What the verdict asks once its rules grant. */
  assurance: Assurance;
  /** What the ammonia doses were against their label and the net water; null without one. */
  doseStrength: ValueRange | null;
  hypotheses: { id: HypothesisId; probability: number }[];
  remarks: string[];
  readings: number;
}
