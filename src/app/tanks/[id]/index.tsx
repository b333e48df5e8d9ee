import { useLocalSearchParams } from 'expo-router';
import { lazy } from 'react';

const SetUpScreen = lazy(async () => ({
  default: (await import('@/features/formScreens')).SetUpScreen,
}));
const TankScreen = lazy(async () => ({
  default: (await import('@/features/formScreens')).TankScreen,
}));

export default function Tank() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return id === 'new' ? <SetUpScreen /> : <TankScreen id={id} />;
}
