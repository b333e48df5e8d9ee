import { useLocalSearchParams } from 'expo-router';
import { addressNeedsTank } from '@/features/offers';
import { guide } from '@/features/pieces';
import { partOf } from '@/ui/piece';

const PageScreen = partOf(guide, 'PageScreen');

export default function GuidePage() {
  const { page } = useLocalSearchParams<{ page: string }>();
  return <PageScreen key={page} id={page} needsTank={addressNeedsTank} />;
}
