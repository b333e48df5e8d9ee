import { useLocalSearchParams } from 'expo-router';
import { lazy } from 'react';

const AcclimateScreen = lazy(async () => ({
  default: (await import('@/features/stock')).AcclimateScreen,
}));

export default function Acclimate() {
  const given = useLocalSearchParams<Record<string, string>>();
  return <AcclimateScreen key={given.batch ?? 'new'} given={given} />;
}
