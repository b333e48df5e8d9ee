import { useLocalSearchParams } from 'expo-router';
import { bench } from '@/features/pieces';
import { partOf } from '@/ui/piece';

const SumScreen = partOf(bench, 'SumScreen');

export default function BenchSum() {
  const { sum, ...given } = useLocalSearchParams<{ sum: string } & Record<string, string>>();
  return <SumScreen id={sum} given={given} />;
}
