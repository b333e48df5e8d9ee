import { useLocalSearchParams } from 'expo-router';
import { lazy } from 'react';

const TankPartScreen = lazy(async () => ({
  default: (await import('@/features/formScreens')).TankPartScreen,
}));

export default function TankPart() {
  const { id, part } = useLocalSearchParams<{ id: string; part: string }>();
  return <TankPartScreen id={id} part={part} />;
}
