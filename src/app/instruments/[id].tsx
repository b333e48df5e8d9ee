import { useLocalSearchParams } from 'expo-router';
import { lazy } from 'react';

const KitFormScreen = lazy(async () => ({
  default: (await import('@/features/formScreens')).KitFormScreen,
}));

const OwnTestsScreen = lazy(async () => ({
  default: (await import('@/features/formScreens')).OwnTestsScreen,
}));

export default function Instrument() {
  const { id } = useLocalSearchParams<{ id: string }>();
  if (id === 'own') return <OwnTestsScreen />;
  return <KitFormScreen id={id === 'new' ? undefined : id} />;
}
