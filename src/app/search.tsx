import { fetchOffers } from '@/features/offers';
import { search } from '@/features/pieces';
import { partOf } from '@/ui/piece';

const SearchScreen = partOf(search, 'SearchScreen');

export default function Search() {
  return <SearchScreen fetchOffers={fetchOffers} />;
}
