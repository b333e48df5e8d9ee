import { WaterScreen } from '@/features/water/WaterScreen';

export default function Water() {
  return <WaterScreen />;
}
