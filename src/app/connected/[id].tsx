import { useLocalSearchParams } from 'expo-router';
import { connected, sheets } from '@/features/pieces';
import { partOf } from '@/ui/piece';

const ConnectionScreen = partOf(connected, 'ConnectionScreen');
const SlipScreen = partOf(sheets, 'SlipScreen');

export default function Connected() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return id === 'slip' ? <SlipScreen /> : <ConnectionScreen id={id} />;
}
