import type { NextBest } from '../../nextBest';
import type { RuleId } from '../compatibility/types';
import type { BindingId } from './dates/bounds';

/** A wish with its dates, ms. */
export interface PlanItem {
  wishId: string;
  species: string;
  name: string;
  count: number;
  /** What it makes as it comes in, mg N a day. */
  nitrogen: number;
  group: 'fish' | 'invertebrate' | 'coral';
  /** When its quarantine would begin; null for what goes through none. */
  quarantineFrom: number | null;
  batch: number | null;
  quarantineTank: string | null;
  addOn: { p10: number | null; p50: number; p90: number | null };
  /** What its day rests on, by name and in words. */
  rule: BindingId;
  because: string;
  pinned: boolean;
  /** Why it is in against a rule. */
  override: string | null;
  /** A day by which it is to have another home, ms; null for what never outgrows the tank. */
  rehomeBy: number | null;
  /** What must be seen to though it is allowed. */
  cares: string[];
}

export interface PlanRefusal {
  wishId: string;
  species: string;
  name: string;
  rule: RuleId | BindingId;
  because: string;
  mend: string;
  /** What is done instead, and what that costs. */
  instead: NextBest;
}

/** What a tank makes and bears today, mg of ammonia nitrogen a day. */
export interface PlanLoad {
  now: number;
  /** The most it may come to by the pace that was chosen; null where that sets no figure. */
  feedingLimit: number | null;
  /** What the filter carries in nine of ten tanks that the readings allow, and in the middle one. */
  carries: { low: number; usual: number } | null;
  /** What a small fish makes. */
  smallFish: number;
}

/** Dated plan of a tank's wishes. */
export interface Plan {
  tankId: string;
  at: number;
  items: PlanItem[];
  refused: PlanRefusal[];
  load: PlanLoad;
  remarks: string[];
  /** Whether a simulation of the plan kept free ammonia within the limit; null where none was run. */
  verified: boolean | null;
  /** 90th percentile of its peak of free ammonia, mg NH3-N/L. */
  peak: number | null;
}
