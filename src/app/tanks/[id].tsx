import { useLocalSearchParams } from 'expo-router';
import { TankFormScreen } from '@/features/tank/TankFormScreen';

export default function Tank() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <TankFormScreen id={id === 'new' ? undefined : id} />;
}
