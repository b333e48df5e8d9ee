import { lazy } from 'react';

const BenchScreen = lazy(async () => ({
  default: (await import('@/features/bench')).BenchScreen,
}));

export default function Bench() {
  return <BenchScreen />;
}
