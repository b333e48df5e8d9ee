import { lazy } from 'react';

const AwayScreen = lazy(async () => ({
  default: (await import('@/features/rhythm/dailyLife')).AwayScreen,
}));

export default function Away() {
  return <AwayScreen />;
}
