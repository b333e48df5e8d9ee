import { useLocalSearchParams } from 'expo-router';
import { runs } from '@/features/pieces';
import { partOf } from '@/ui/piece';

const RunScreen = partOf(runs, 'RunScreen');

export default function Run() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <RunScreen id={id} />;
}
