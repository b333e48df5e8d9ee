import { useLocalSearchParams } from 'expo-router';
import { SumScreen } from '@/features/bench/SumScreen';

export default function BenchSum() {
  const { sum } = useLocalSearchParams<{ sum: string }>();
  return <SumScreen id={sum} />;
}
