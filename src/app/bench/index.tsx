import { BenchScreen } from '@/features/bench/BenchScreen';

export default function Bench() {
  return <BenchScreen />;
}
