import { lazy } from 'react';
import { kept } from '@/features/shell/kept';

const WaterScreen = lazy(async () => ({
  default: (await import('@/features/dailyLife')).WaterScreen,
}));

export default kept('/water', WaterScreen);
