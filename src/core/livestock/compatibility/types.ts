import type { NextBest } from '../../nextBest';
import type { CatalogueAnimal } from '../catalogue';

/** An animal, or several of one kind, that is to live with others. */
export interface Lodger {
  animal: CatalogueAnimal;
  count: number;
  /** Its length, cm, where it is known; the usual one at purchase otherwise. */
  sizeCm?: number;
  /** Those of one mark lived together before: a community moved as a whole. */
  together?: string;
}

/** What is known of the tank they are to live in; null for what is not. */
export interface Home {
  litres: number | null;
  lengthCm: number | null;
  sandCm: number | null;
  lid: boolean | null;
  /** °C, as it is run. */
  temperature: number | null;
}

/** What a home is where nothing is known of it: nothing is then held against an animal. */
export const ANY_HOME: Home = {
  litres: null,
  lengthCm: null,
  sandCm: null,
  lid: null,
  temperature: null,
};

export const RULES = [
  'roomToLive',
  'roomToSwim',
  'outgrows',
  'sandBed',
  'lid',
  'temperature',
  'company',
  'ownKind',
  'lookAlike',
  'territory',
  'temper',
  'swallows',
  'crushes',
  'picksAt',
  'stings',
  'starvesStars',
  'feedingPace',
  'flow',
  'pods',
  'shells',
  'nipsCorals',
  'knocksOver',
  'wanders',
  'stingRange',
  'chemistry',
  'poison',
  'specialist',
  'food',
  'expert',
  'overgrows',
  'buries',
] as const;
export type RuleId = (typeof RULES)[number];

/** *no* forbids; *care* is allowed and must be seen to. */
export type Severity = 'no' | 'care';

export interface Finding {
  rule: RuleId;
  severity: Severity;
  /** Whom it is between, by id; one alone where it is between an animal and its tank. */
  between: string[];
  because: string;
  /** What would mend it. */
  mend: string;
  /** What is done instead, where that does not follow from the rule alone. */
  instead?: NextBest;
}

export type Of<G extends CatalogueAnimal['group']> = Extract<CatalogueAnimal, { group: G }>;

/** What a keeper calls it. */
export function callIt({ names, scientific }: CatalogueAnimal): string {
  return names[0] ?? scientific;
}
