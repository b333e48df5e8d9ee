import { useLocalSearchParams } from 'expo-router';
import { guide } from '@/features/pieces';
import { partOf } from '@/ui/piece';

const PageScreen = partOf(guide, 'PageScreen');

export default function GuidePage() {
  const { page } = useLocalSearchParams<{ page: string }>();
  return <PageScreen key={page} id={page} />;
}
