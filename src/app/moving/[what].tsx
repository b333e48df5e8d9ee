import { useLocalSearchParams } from 'expo-router';
import { dailyLife } from '@/features/pieces';
import { partOf } from '@/ui/piece';

const MovingScreen = partOf(dailyLife, 'MovingScreen');

export default function Moving() {
  const { what } = useLocalSearchParams<{ what: string }>();
  return <MovingScreen what={what} />;
}
