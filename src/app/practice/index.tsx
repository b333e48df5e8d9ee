import { practice } from '@/features/pieces';
import { rememberLog } from '@/features/shell/whichLog';
import { partOf } from '@/ui/piece';

const PracticeScreen = partOf(practice, 'PracticeScreen');

export default function Practice() {
  return <PracticeScreen remember={rememberLog} />;
}
