import type { DoneRuleChoice } from '../../records/schema/tank';
import type { ParameterId } from '../../parameters/registry';

/** The parameters that the cycle is inferred from. */
export const NITROGEN = ['ammonia', 'nitrite', 'nitrate'] as const;
export type Nitrogen = (typeof NITROGEN)[number];

export function isNitrogen(parameter: ParameterId): parameter is Nitrogen {
  return (NITROGEN as readonly ParameterId[]).includes(parameter);
}

/** A value known at a moment, in days from the problem's origin. */
export interface Knot {
  day: number;
  value: number;
}

/**
 * What makes an addition uncertain; additions that share a source share its error, because it is
 * the same bottle or the same hand.
 */
export type Uncertain = 'exact' | 'doses' | 'bottle' | 'media' | 'organics' | 'fish' | 'kill';

/** Something done to the tank, at a step of the run. Amounts are medians. */
export interface Addition {
  step: number;
  source: Uncertain;
  /** Its own further error, sd of the natural log: a dose marked *about*, one without a strength. */
  ownSd: number;
  replaced?: number;
  newAmmonia?: number;
  newAlkalinity?: number;
  ammonia?: number;
  organic?: number;
  organicKept?: number;
  alkalinity?: number;
  alkalinityIs?: number;
  capacityA?: number;
  capacityB?: number;
  asleep?: boolean;
  survival?: number;
}

/** A kit as the inference sees it. */
export interface ProblemKit {
  id: string;
  name: string;
  parameter: Nitrogen;
  /** Kit units in one mg N/L. */
  perN: number;
  /** Half of the lowest step above zero, kit unit: what keeps the logarithm finite at zero. */
  half: number;
  /** Spread of the reader against a card, sd of the natural log; of an instrument, in its own unit. */
  sigma: number;
  card: boolean;
  /** The card's steps, or none. */
  steps: number[];
  /** Its readings above zero in the whole log, however far back it is looked at: one may be a vial misread. */
  shown: number;
  /** A probe of free ammonia, of which only what it was seen to show is taken: no story doubts it. */
  probe?: boolean;
  /** Its reagents were past their date at the last reading. */
  expired: boolean;
}

/** One reading of ammonia, nitrite or nitrate. */
export interface Observation {
  entryId: string;
  /** Index into the course: the state at the end of this many steps. */
  index: number;
  parameter: Nitrogen;
  kit: number;
  /** Where the value lay on the card, kit unit before dilution; a number has both ends alike. */
  low: number;
  high: number;
  dilution: number;
  /** 1 for a full reading; less where it can be trusted less; 0 where it does not count. */
  weight: number;
  /** Chance that it is anything at all. */
  blunder: number;
  /** Widening of the kit's sigma. */
  wider: number;
}

/** Prior of what the filter bacteria started from: medians and sd of the natural log. */
export interface SeedPrior {
  capacityA: number;
  sdA: number;
  capacityB: number;
  sdB: number;
  organic: number;
  sdOrganic: number;
  ceiling: number;
  /** Share of the nitrite oxidisers that are awake, 0 to 1. */
  awake: number;
}

/** What the log shows of the rules for done that rest on more than the water. */
export interface DoneRuleFacts {
  /** Since when tests show both at zero, with no dose after the last of them, ms; null if they do not. */
  shownSince: number | null;
  /** Until when they do, ms. */
  shownUntil: number | null;
  /** Whether tests have shown nitrite, or a challenge all of the chain. */
  nitriteShown: boolean;
  /** When a dose went in that was cleared in its hours and still counts, ms. */
  provedAt: number | null;
  /** When anything was last put in for the filter bacteria, ms; where nothing is logged, when it was last read above zero. */
  fedAt: number | null;
  /** When filter bacteria with nothing to clear stop being what was shown, ms; null where animals feed them. */
  starvesAt: number | null;
  /** Until when a binder in the water may hold ammonia, so that no zero of it counts, ms; null for none. */
  boundUntil: number | null;
  /** Why no ammonia may be dosed, in a sentence; null where it may. */
  noDose: string | null;
  /** 2 ppm as the keeper's own ammonia kit counts them, mg N/L. */
  challengeDose: number;
  /** The same in words: what feeds filter bacteria that are too weak to prove anything yet. */
  usualDose: string;
  /**
   * The dose of the one test that is left, mg N/L and in the keeper's words; the hours to its test, and within
   * which it has to be gone.
   */
  proof: { rise: number; words: string; hours: number; within: number };
  /** When a dose that is under way is to be tested, ms; null for none. */
  testAt: number | null;
  /** Whether the last dose was tested in its hours and some of it still read. */
  failed: boolean;
  /** When the bottle's programme ends, ms; null without a bottle on record. */
  programmeEndsAt: number | null;
  /** When nitrate is to be tested for a rule for done that reads its level, ms; null for none. */
  nitrateDueAt: number | null;
  /** When the light first came on, ms, and the furthest stage of the succession seen, 0 to 3. */
  litSince: number | null;
  succession: number;
}

/**
 * All that the inference needs of one tank's log, as plain data: it crosses to a worker, and its
 * text is what a result is cached under.
 */
export interface CycleProblem {
  tankId: string;
  zone: string;
  /** The moment of day 0, ms. */
  origin: number;
  /** The moment it is asked at, ms. */
  at: number;
  stepsPerDay: number;
  /** Steps from the origin to `at`. */
  steps: number;
  /** The log is older than what is looked at: the filter bacteria at the origin is then unknown. */
  windowed: boolean;
  conditions: { temperature: Knot[]; ph: Knot[]; salinity: Knot[]; lit: Knot[] };
  /** dKH at the origin: median, and sd of the natural log. */
  alkalinity: { value: number; sd: number };
  seed: SeedPrior;
  additions: Addition[];
  kits: ProblemKit[];
  observations: Observation[];
  /** How readiness is judged, and what of it the log shows already. */
  doneRule: DoneRuleChoice;
  facts: DoneRuleFacts;
  /** Oddities of the log that the forecast had to step around, in words. */
  remarks: string[];
  /** What fish in the tank go on making, mg N/L a day; 0 without any. */
  fish: number;
  /** Whether an animal is in the tank: no ammonia is added then, whatever else is advised. */
  animals: boolean;
  /** Whether any ammonia is on record: a dose, food, a prawn, fish, or organics on the rock. */
  fed: boolean;
}
