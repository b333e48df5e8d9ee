import { lazy } from 'react';

const AwayScreen = lazy(async () => ({
  default: (await import('@/features/dailyLife')).AwayScreen,
}));

export default function Away() {
  return <AwayScreen />;
}
