import type { Findable } from '@/core/search/search';

/** What something that can be found is, as it is named behind it. */
export const OFFER_KINDS = {
  emergency: 'emergency',
  act: 'log it',
  place: 'place',
  steps: 'step by step',
  calculator: 'calculator',
  animal: 'animal',
  instrument: 'test kit or meter',
  tank: 'tank',
  entry: 'entry',
  page: 'guide',
  word: 'what it means',
} as const;

/** Something the search leads to, with its address. */
export interface Offer extends Findable {
  kind: keyof typeof OFFER_KINDS;
  open: string;
}
