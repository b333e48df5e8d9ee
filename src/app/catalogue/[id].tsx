import { useLocalSearchParams } from 'expo-router';
import { lazy } from 'react';

const AnimalScreen = lazy(async () => ({
  default: (await import('@/features/stock')).AnimalScreen,
}));

export default function Animal() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <AnimalScreen id={id} />;
}
