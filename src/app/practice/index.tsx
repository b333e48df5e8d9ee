import { useLocalSearchParams } from 'expo-router';
import { practice } from '@/features/pieces';
import { rememberLog } from '@/features/shell/whichLog';
import { partOf } from '@/ui/piece';

const PracticeScreen = partOf(practice, 'PracticeScreen');

export default function Practice() {
  const { begin } = useLocalSearchParams<{ begin?: string }>();
  return <PracticeScreen remember={rememberLog} begin={begin} />;
}
