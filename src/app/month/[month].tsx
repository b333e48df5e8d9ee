import { useLocalSearchParams } from 'expo-router';
import { dailyLife } from '@/features/pieces';
import { partOf } from '@/ui/piece';

const MonthScreen = partOf(dailyLife, 'MonthScreen');

export default function Month() {
  const { month } = useLocalSearchParams<{ month: string }>();
  return <MonthScreen month={month} />;
}
