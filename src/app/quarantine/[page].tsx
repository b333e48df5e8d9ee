import { useLocalSearchParams } from 'expo-router';
import { lazy } from 'react';

const QuarantinePage = lazy(async () => ({
  default: (await import('@/features/stock')).QuarantinePage,
}));

export default function Page() {
  const { page, ...given } = useLocalSearchParams<{ page: string } & Record<string, string>>();
  return <QuarantinePage page={page} given={given} />;
}
