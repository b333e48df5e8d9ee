import { useLocalSearchParams } from 'expo-router';
import { formScreens } from '@/features/pieces';
import { partOf } from '@/ui/piece';

const SetUpScreen = partOf(formScreens, 'SetUpScreen');
const TankScreen = partOf(formScreens, 'TankScreen');

export default function Tank() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return id === 'new' ? <SetUpScreen /> : <TankScreen id={id} />;
}
