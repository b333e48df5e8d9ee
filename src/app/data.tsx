import { DataScreen } from '@/features/data/DataScreen';

export default function Data() {
  return <DataScreen />;
}
