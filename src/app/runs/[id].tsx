import { useLocalSearchParams } from 'expo-router';
import { RunScreen } from '@/features/runs/RunScreen';

export default function Run() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <RunScreen id={id} />;
}
