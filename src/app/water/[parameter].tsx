import { Redirect, useLocalSearchParams } from 'expo-router';
import { lazy } from 'react';
import { PARAMETER_IDS } from '@/core/parameters/registry';

const WaterScreen = lazy(async () => ({
  default: (await import('@/features/dailyLife')).WaterScreen,
}));

export default function WaterOf() {
  const { parameter } = useLocalSearchParams<{ parameter: string }>();
  const known = PARAMETER_IDS.find((id) => id === parameter);
  return known ? <WaterScreen parameter={known} /> : <Redirect href="/water" />;
}
