import { useLocalSearchParams } from 'expo-router';
import { lazy } from 'react';

const LotScreen = lazy(async () => ({
  default: (await import('@/features/stock')).LotScreen,
}));

export default function Lot() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <LotScreen id={id} />;
}
