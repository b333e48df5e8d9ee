import { lazy } from 'react';

const WaterScreen = lazy(async () => ({
  default: (await import('@/features/dailyLife')).WaterScreen,
}));

export default function Water() {
  return <WaterScreen />;
}
