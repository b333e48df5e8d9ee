import { useLocalSearchParams } from 'expo-router';
import { bench } from '@/features/pieces';
import { partOf } from '@/ui/piece';

const SumScreen = partOf(bench, 'SumScreen');

export default function BenchSum() {
  const { sum } = useLocalSearchParams<{ sum: string }>();
  return <SumScreen id={sum} />;
}
