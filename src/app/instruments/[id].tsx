import { useLocalSearchParams } from 'expo-router';
import { KitFormScreen } from '@/features/instruments/KitFormScreen';

export default function Instrument() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <KitFormScreen id={id === 'new' ? undefined : id} />;
}
