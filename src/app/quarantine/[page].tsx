import { useLocalSearchParams } from 'expo-router';
import { stock } from '@/features/pieces';
import { partOf } from '@/ui/piece';

const QuarantinePage = partOf(stock, 'QuarantinePage');

export default function Page() {
  const { page, ...given } = useLocalSearchParams<{ page: string } & Record<string, string>>();
  return <QuarantinePage page={page} given={given} />;
}
