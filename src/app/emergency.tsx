import { lazy } from 'react';

const EmergencyScreen = lazy(async () => ({
  default: (await import('@/features/runs')).EmergencyScreen,
}));

export default function Emergency() {
  return <EmergencyScreen />;
}
