import { useLocalSearchParams } from 'expo-router';
import { lazy } from 'react';

const KitFormScreen = lazy(async () => ({
  default: (await import('@/features/formScreens')).KitFormScreen,
}));

export default function Instrument() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <KitFormScreen id={id === 'new' ? undefined : id} />;
}
