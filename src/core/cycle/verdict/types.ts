import type { TankHistory } from '../../history/tankHistory';
import type { Advice } from '../doseAdvice';
import type { DoneRuleChoice, DoneRuleId } from '../../records/schema/tank';

export type CriterionState = 'met' | 'not yet' | 'cannot tell';

/** Criteria that rest on evidence: a rule over the history decides each. */
export const RULE_IDS = [
  'fed',
  'ammoniaUsed',
  'nitriteSeen',
  'ammoniaZero',
  'nitriteZero',
  'zeroSameDay',
  'zeroHeld',
  'challengePassed',
  'doseCleared',
  'nitrateLevel',
  'programmeDone',
  'algaeSuccession',
  'nitrateSeen',
  'dosesAccounted',
  'accounted',
  'alkalinity',
  'salinity',
  'temperature',
  'lid',
  'heater',
] as const;
export type RuleId = (typeof RULE_IDS)[number];

/** Every criterion; the last is asked of the forecast, once the evidence is complete. */
export const CRITERION_IDS = [...RULE_IDS, 'forecastAgrees'] as const;
export type CriterionId = (typeof CRITERION_IDS)[number];

/**
 * What a criterion is for: `cycle` ones decide whether the cycle is done, `gate` ones stand before
 * the first fish whatever the water says, `supports` ones are shown but decide nothing.
 */
export type CriterionRole = 'cycle' | 'gate' | 'supports';

export interface Finding {
  state: CriterionState;
  /** Why, in a sentence with its figures and dates. */
  because: string;
  /** What would settle it, as something to do; absent once met. */
  settle?: string;
  /** How that is done, where it takes more than a sentence. */
  how?: string;
  /** That something is a dose of ammonia. */
  doses?: true;
  /** Ids of the entries it was decided on. */
  deciding: string[];
}

export interface Criterion extends Finding {
  id: CriterionId;
  title: string;
  role: CriterionRole;
}

/**
 * What a verdict comes to: `not yet`; `one test to go`, where one dose and the test after it decide; `ready`
 * for a first load; and `watch`, where an animal is in before it is.
 */
export const VERDICT_WORDS = ['not yet', 'one test to go', 'ready', 'watch'] as const;
export type VerdictWord = (typeof VERDICT_WORDS)[number];

/** The most that a tank is ready for as its first. */
export type FirstLoad = 'one small fish' | 'two small fish or a pair';

/** The one test that is left: a dose to be given, or one that was given and is to be tested. */
export interface Proof {
  step: 'dose' | 'test';
  /** mg N/L. */
  rise: number;
  /** Hours from the dose to the test. */
  hours: number;
  /** When both are to be tested, and until when it counts, ms; null while it is not dosed. */
  testAt: number | null;
  lateAt: number | null;
  /** Chance that both are gone then, 0 to 1. */
  chance: number;
}

export interface Verdict {
  tankId: string;
  /** The moment it was judged for, ms. */
  at: number;
  /** Until when it holds if nothing is logged, ms. */
  until: number;
  doneRule: DoneRuleId;
  /**
   * Every criterion that rests on evidence is met: only then is the forecast asked whether anything
   * it knows speaks against it.
   */
  granted: boolean;
  /** All `cycle` criteria are met, what the forecast knows among them. */
  cycled: boolean;
  /** Cycled, and every gate before the first fish is met. */
  ready: boolean;
  word: VerdictWord;
  /** The one test that is left; null for every other word. */
  proof: Proof | null;
  /** Until when it stays so with nothing fed, in a sentence; empty where it is long, or not done. */
  lasts: string;
  /** What it may carry first; null until the cycle is done. */
  readyFor: FirstLoad | null;
  criteria: Criterion[];
}

/** What every criterion looks at. */
export interface Inquiry {
  history: TankHistory;
  at: number;
  zone: string;
  choice: DoneRuleChoice;
}

export type CriterionRule = (inquiry: Inquiry) => Finding;

export function met(because: string, deciding: readonly string[]): Finding {
  return { state: 'met', because, deciding: [...deciding] };
}

/** What would settle it; a dose is told apart, since there are times at which none is advised. */
const settledBy = (advice: Advice): Pick<Finding, 'settle' | 'doses'> =>
  typeof advice === 'string' ? { settle: advice } : { settle: advice.dose, doses: true };

export function notYet(because: string, advice: Advice, deciding: readonly string[] = []): Finding {
  return { state: 'not yet', because, ...settledBy(advice), deciding: [...deciding] };
}

export function cannotTell(
  because: string,
  advice: Advice,
  deciding: readonly string[] = [],
): Finding {
  return { state: 'cannot tell', because, ...settledBy(advice), deciding: [...deciding] };
}
