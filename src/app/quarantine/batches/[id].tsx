import { useLocalSearchParams } from 'expo-router';
import { lazy } from 'react';

const BatchScreen = lazy(async () => ({
  default: (await import('@/features/stock')).BatchScreen,
}));

export default function Batch() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <BatchScreen key={id} id={id} />;
}
