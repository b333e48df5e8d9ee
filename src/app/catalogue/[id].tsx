import { useLocalSearchParams } from 'expo-router';
import { stock } from '@/features/pieces';
import { partOf } from '@/ui/piece';

const AnimalScreen = partOf(stock, 'AnimalScreen');

export default function Animal() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <AnimalScreen id={id} />;
}
