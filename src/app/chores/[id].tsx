import { useLocalSearchParams } from 'expo-router';
import { dailyLife } from '@/features/pieces';
import { partOf } from '@/ui/piece';

const ChoreScreen = partOf(dailyLife, 'ChoreScreen');

export default function Chore() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <ChoreScreen id={id} />;
}
