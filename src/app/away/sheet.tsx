import { lazy } from 'react';

const SheetScreen = lazy(async () => ({
  default: (await import('@/features/dailyLife')).SheetScreen,
}));

export default function Sheet() {
  return <SheetScreen />;
}
