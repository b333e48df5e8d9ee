import { useLocalSearchParams } from 'expo-router';
import { stock } from '@/features/pieces';
import { partOf } from '@/ui/piece';

const LotScreen = partOf(stock, 'LotScreen');

export default function Lot() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <LotScreen id={id} />;
}
