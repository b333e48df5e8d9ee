import { useLocalSearchParams } from 'expo-router';
import { formScreens } from '@/features/pieces';
import { partOf } from '@/ui/piece';

const TankPartScreen = partOf(formScreens, 'TankPartScreen');

export default function TankPart() {
  const { id, part } = useLocalSearchParams<{ id: string; part: string }>();
  return <TankPartScreen id={id} part={part} />;
}
