import { lazy } from 'react';

const QuarantineScreen = lazy(async () => ({
  default: (await import('@/features/stock')).QuarantineScreen,
}));

export default function Quarantine() {
  return <QuarantineScreen />;
}
