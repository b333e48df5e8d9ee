import { useLocalSearchParams } from 'expo-router';
import { guide } from '@/features/pieces';
import { partOf } from '@/ui/piece';

const GuideScreen = partOf(guide, 'GuideScreen');

export default function Guide() {
  const { word } = useLocalSearchParams<{ word?: string }>();
  return <GuideScreen key={word ?? ''} word={word} />;
}
