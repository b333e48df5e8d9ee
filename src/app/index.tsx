import { TodayScreen } from '@/features/today/TodayScreen';
import { WelcomeScreen } from '@/features/welcome/WelcomeScreen';
import { useAppSelector } from '@/store/hooks';
import { selectTank } from '@/store/selectors';

export default function Today() {
  return useAppSelector(selectTank) ? <TodayScreen /> : <WelcomeScreen />;
}
