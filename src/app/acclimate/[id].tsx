import { useLocalSearchParams } from 'expo-router';
import { stock } from '@/features/pieces';
import { partOf } from '@/ui/piece';

const AcclimationScreen = partOf(stock, 'AcclimationScreen');

export default function Acclimation() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <AcclimationScreen key={id} id={id} />;
}
