import { Redirect, useLocalSearchParams } from 'expo-router';
import { PARAMETER_IDS } from '@/core/parameters/registry';
import { dailyLife } from '@/features/pieces';
import { partOf } from '@/ui/piece';

const WaterScreen = partOf(dailyLife, 'WaterScreen');

export default function WaterOf() {
  const { parameter } = useLocalSearchParams<{ parameter: string }>();
  const known = PARAMETER_IDS.find((id) => id === parameter);
  return known ? <WaterScreen parameter={known} /> : <Redirect href="/water" />;
}
