import { useLocalSearchParams } from 'expo-router';
import { stock } from '@/features/pieces';
import { partOf } from '@/ui/piece';

const AcclimateScreen = partOf(stock, 'AcclimateScreen');

export default function Acclimate() {
  const given = useLocalSearchParams<Record<string, string>>();
  return <AcclimateScreen key={given.batch ?? 'new'} given={given} />;
}
