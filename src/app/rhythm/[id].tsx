import { useLocalSearchParams } from 'expo-router';
import { lazy } from 'react';

const ChoreScreen = lazy(async () => ({
  default: (await import('@/features/dailyLife')).ChoreScreen,
}));

export default function Chore() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <ChoreScreen id={id} />;
}
