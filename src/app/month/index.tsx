import { lazy } from 'react';

const MonthScreen = lazy(async () => ({
  default: (await import('@/features/dailyLife')).MonthScreen,
}));

export default function ThisMonth() {
  return <MonthScreen month="" />;
}
