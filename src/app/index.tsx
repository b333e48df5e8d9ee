import { TodayScreen } from '@/features/today/TodayScreen';
import { useAppSelector } from '@/store/hooks';
import { selectLiveRuns } from '@/store/runs';
import { selectTank } from '@/store/selectors';
import { kept } from '@/features/shell/kept';
import { dailyLife, runs, welcome } from '@/features/pieces';
import { partOf } from '@/ui/piece';

// Seen once by each keeper: whoever has a tank need not fetch it.
const WelcomeScreen = partOf(welcome, 'WelcomeScreen');
const LiveRuns = partOf(runs, 'LiveRuns');
const TodayTop = partOf(dailyLife, 'TodayTop');
const TodayFoot = partOf(dailyLife, 'TodayFoot');

function Today() {
  const tank = useAppSelector(selectTank);
  const going = useAppSelector((state) => selectLiveRuns(state).length > 0);
  return tank ? (
    <TodayScreen Going={going ? LiveRuns : undefined} Top={TodayTop} Foot={TodayFoot} />
  ) : (
    <WelcomeScreen />
  );
}

export default kept('/', Today);
