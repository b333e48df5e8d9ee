import { lazy } from 'react';
import { TodayScreen } from '@/features/today/TodayScreen';
import { useAppSelector } from '@/store/hooks';
import { selectLiveRuns } from '@/store/runs';
import { selectTank } from '@/store/selectors';
import { kept } from '@/features/shell/kept';

// Seen once by each keeper: whoever has a tank need not fetch it.
const WelcomeScreen = lazy(async () => ({
  default: (await import('@/features/welcome/WelcomeScreen')).WelcomeScreen,
}));
const LiveRuns = lazy(async () => ({ default: (await import('@/features/runs')).LiveRuns }));
const TodayTop = lazy(async () => ({
  default: (await import('@/features/dailyLife')).TodayTop,
}));
const OtherTanks = lazy(async () => ({
  default: (await import('@/features/dailyLife')).OtherTanks,
}));

function Today() {
  const tank = useAppSelector(selectTank);
  const going = useAppSelector((state) => selectLiveRuns(state).length > 0);
  return tank ? (
    <TodayScreen Going={going ? LiveRuns : undefined} Top={TodayTop} Others={OtherTanks} />
  ) : (
    <WelcomeScreen />
  );
}

export default kept('/', Today);
