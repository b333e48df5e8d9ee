export const MILESTONE_IDS = [
  'filled',
  'firstDose',
  'bottle',
  'nitriteAppears',
  'light',
  'diatoms',
  'film',
  'hair',
  'sheet',
  'brownSnot',
  'level',
  'ammoniaClears',
  'nitriteClears',
  'held',
  'challenge',
  'ready',
  'running',
  'cleanUpCrew',
  'firstFish',
  'lastFish',
  'firstCoral',
  'lastCoral',
] as const;
export type MilestoneId = (typeof MILESTONE_IDS)[number];

/** A point on the course: passed, or ahead at a date that the rule for done itself sets. */
export interface Milestone {
  id: MilestoneId;
  label: string;
  /** When it was passed, or when it can be passed at the soonest. */
  at: number;
  passed: boolean;
  /** What it rests on, in a few words. */
  because: string;
  /** 8 in 10 and middle half of its date, when it lies ahead and is uncertain. */
  range?: { low: number; high: number; innerLow: number; innerHigh: number };
}
