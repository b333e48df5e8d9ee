import type { searchIn as SearchIn } from '@/core/search/search';
import type { Offer } from '@/frame/offer';
import { calculators, formScreens, guide, placeOffers, runs, stock } from './pieces';
import { needsTank } from './shell/places';

export interface Offers {
  rows: readonly Offer[];
  animals: (text: string) => Offer[];
  searchIn: typeof SearchIn;
  /** Whether an address has nothing to show without a tank. */
  needsTank: (address: string) => boolean;
}

/** Whether an address, with whatever it hands over, has nothing to show without a tank. */
export const addressNeedsTank = (address: string) => needsTank(address.split('?')[0] ?? '');

/** All that the search leads to, each piece telling its own; fetched when the search is first opened. */
export async function fetchOffers(): Promise<Offers> {
  const [sums, procedures, words, forms, animals, places] = await Promise.all([
    calculators.fetch(),
    runs.fetch(),
    guide.fetch(),
    formScreens.fetch(),
    stock.fetch(),
    placeOffers.fetch(),
  ]);
  return {
    rows: [
      ...procedures.offers,
      ...places.PLACE_OFFERS,
      ...forms.logOffers,
      ...animals.offers,
      ...sums.offers,
      ...words.offers,
    ],
    animals: animals.animalOffers,
    searchIn: animals.searchIn,
    needsTank: addressNeedsTank,
  };
}
