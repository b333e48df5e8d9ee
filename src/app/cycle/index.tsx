import { CycleScreen } from '@/features/cycle/CycleScreen';

export default function Cycle() {
  return <CycleScreen />;
}
