import { useLocalSearchParams } from 'expo-router';
import { formScreens } from '@/features/pieces';
import { partOf } from '@/ui/piece';

const KitFormScreen = partOf(formScreens, 'KitFormScreen');

const OwnTestsScreen = partOf(formScreens, 'OwnTestsScreen');

export default function Instrument() {
  const { id } = useLocalSearchParams<{ id: string }>();
  if (id === 'own') return <OwnTestsScreen />;
  return <KitFormScreen id={id === 'new' ? undefined : id} />;
}
