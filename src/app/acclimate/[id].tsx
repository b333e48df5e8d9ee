import { useLocalSearchParams } from 'expo-router';
import { lazy } from 'react';

const AcclimationScreen = lazy(async () => ({
  default: (await import('@/features/stock')).AcclimationScreen,
}));

export default function Acclimation() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <AcclimationScreen key={id} id={id} />;
}
