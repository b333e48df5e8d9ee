import { useLocalSearchParams } from 'expo-router';
import { lazy } from 'react';

const TankFormScreen = lazy(async () => ({
  default: (await import('@/features/formScreens')).TankFormScreen,
}));

export default function Tank() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <TankFormScreen id={id === 'new' ? undefined : id} />;
}
