import { lazy } from 'react';

const RhythmScreen = lazy(async () => ({
  default: (await import('@/features/rhythm')).RhythmScreen,
}));

export default function Rhythm() {
  return <RhythmScreen />;
}
