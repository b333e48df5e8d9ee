import { useLocalSearchParams } from 'expo-router';
import { stock } from '@/features/pieces';
import { partOf } from '@/ui/piece';

const StockPage = partOf(stock, 'StockPage');

export default function Page() {
  const { page, ...given } = useLocalSearchParams<{ page: string } & Record<string, string>>();
  return <StockPage page={page} given={given} />;
}
