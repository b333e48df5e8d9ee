import { lazy } from 'react';

const StockScreen = lazy(async () => ({
  default: (await import('@/features/stock')).StockScreen,
}));

export default function Stock() {
  return <StockScreen />;
}
