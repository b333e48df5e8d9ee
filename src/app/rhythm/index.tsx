import { lazy } from 'react';

const RhythmScreen = lazy(async () => ({
  default: (await import('@/features/dailyLife')).RhythmScreen,
}));

export default function Rhythm() {
  return <RhythmScreen />;
}
