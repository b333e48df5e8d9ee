import { dailyLife } from '@/features/pieces';
import { partOf } from '@/ui/piece';

const MonthScreen = partOf(dailyLife, 'MonthScreen');

export default function ThisMonth() {
  return <MonthScreen month="" />;
}
