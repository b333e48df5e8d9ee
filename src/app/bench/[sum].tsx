import { useLocalSearchParams } from 'expo-router';
import { lazy } from 'react';

const SumScreen = lazy(async () => ({
  default: (await import('@/features/bench')).SumScreen,
}));

export default function BenchSum() {
  const { sum } = useLocalSearchParams<{ sum: string }>();
  return <SumScreen id={sum} />;
}
