import { useLocalSearchParams } from 'expo-router';
import { lazy } from 'react';

const StockPage = lazy(async () => ({
  default: (await import('@/features/stock')).StockPage,
}));

export default function Page() {
  const { page, ...given } = useLocalSearchParams<{ page: string } & Record<string, string>>();
  return <StockPage page={page} given={given} />;
}
