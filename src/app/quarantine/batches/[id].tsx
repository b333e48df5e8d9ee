import { useLocalSearchParams } from 'expo-router';
import { stock } from '@/features/pieces';
import { partOf } from '@/ui/piece';

const BatchScreen = partOf(stock, 'BatchScreen');

export default function Batch() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <BatchScreen key={id} id={id} />;
}
