import { useLocalSearchParams } from 'expo-router';
import { lazy } from 'react';

const MonthScreen = lazy(async () => ({
  default: (await import('@/features/dailyLife')).MonthScreen,
}));

export default function Month() {
  const { month } = useLocalSearchParams<{ month: string }>();
  return <MonthScreen month={month} />;
}
