import { to } from '@/frame/addresses';
import type { Offer } from '@/frame/offer';
import { TERMS } from './terms';

/** Every word with its meaning. */
export const offers: readonly Offer[] = TERMS.map(({ term, meaning }) => ({
  id: `word/${term}`,
  kind: 'word',
  title: term,
  note: meaning,
  open: to.word(term),
}));
