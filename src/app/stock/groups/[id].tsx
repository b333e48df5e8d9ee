import { useLocalSearchParams } from 'expo-router';
import { stock } from '@/features/pieces';
import { partOf } from '@/ui/piece';

const CohortScreen = partOf(stock, 'CohortScreen');

export default function Cohort() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <CohortScreen id={id} />;
}
