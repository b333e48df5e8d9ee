import { lazy } from 'react';
import { kept } from '@/features/shell/kept';

const CycleScreen = lazy(async () => ({
  default: (await import('@/features/cycle/CycleScreen')).CycleScreen,
}));

export default kept('/cycle', CycleScreen);
