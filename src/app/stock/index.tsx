import { lazy } from 'react';
import { kept } from '@/features/shell/kept';

const StockScreen = lazy(async () => ({
  default: (await import('@/features/stock')).StockScreen,
}));

export default kept('/stock', StockScreen);
