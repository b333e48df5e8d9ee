import { to } from '@/frame/addresses';
import type { Offer } from '@/frame/offer';
import { GUIDE_PAGES } from './pages';
import { TERMS } from './terms';

/** Every page of the guide, and every word with its meaning. */
export const offers: readonly Offer[] = [
  ...GUIDE_PAGES.map(({ id, question, also }): Offer => ({
    id: `page/${id}`,
    kind: 'page',
    title: question,
    also,
    // A place that does it comes before the page that explains it.
    weight: 0.6,
    open: to.guidePage(id),
  })),
  ...TERMS.map(({ term, meaning }): Offer => ({
    id: `word/${term}`,
    kind: 'word',
    title: term,
    note: meaning,
    open: to.word(term),
  })),
];
