import { lazy } from 'react';

const InstrumentsScreen = lazy(async () => ({
  default: (await import('@/features/dailyLife')).InstrumentsScreen,
}));

export default function Instruments() {
  return <InstrumentsScreen />;
}
