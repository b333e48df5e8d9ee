import { useLocalSearchParams } from 'expo-router';
import { lazy } from 'react';

const MovingScreen = lazy(async () => ({
  default: (await import('@/features/dailyLife')).MovingScreen,
}));

export default function Moving() {
  const { what } = useLocalSearchParams<{ what: string }>();
  return <MovingScreen what={what} />;
}
