import { lazy } from 'react';

const SheetScreen = lazy(async () => ({
  default: (await import('@/features/rhythm')).SheetScreen,
}));

export default function Sheet() {
  return <SheetScreen />;
}
