import { useLocalSearchParams } from 'expo-router';
import { lazy } from 'react';

const RunScreen = lazy(async () => ({
  default: (await import('@/features/runs')).RunScreen,
}));

export default function Run() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <RunScreen id={id} />;
}
