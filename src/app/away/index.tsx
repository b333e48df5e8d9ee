import { lazy } from 'react';

const AwayScreen = lazy(async () => ({
  default: (await import('@/features/rhythm')).AwayScreen,
}));

export default function Away() {
  return <AwayScreen />;
}
