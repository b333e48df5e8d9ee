import { lazy } from 'react';

const CostsScreen = lazy(async () => ({
  default: (await import('@/features/dailyLife')).CostsScreen,
}));

export default function Costs() {
  return <CostsScreen />;
}
