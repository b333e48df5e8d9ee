import { useLocalSearchParams } from 'expo-router';
import { calculators } from '@/features/pieces';
import { partOf } from '@/ui/piece';

const SumScreen = partOf(calculators, 'SumScreen');

export default function CalculatorRoute() {
  const { sum, ...given } = useLocalSearchParams<{ sum: string } & Record<string, string>>();
  return <SumScreen id={sum} given={given} />;
}
