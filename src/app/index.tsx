import { TodayScreen } from '@/features/today/TodayScreen';
import { useAppSelector } from '@/store/hooks';
import { selectLiveRuns } from '@/store/runs';
import { selectTank } from '@/store/selectors';
import { kept } from '@/features/shell/kept';
import { useFolderChosen } from '@/frame/useFolderChosen';
import { dailyLife, data, runs, welcome } from '@/features/pieces';
import { besideOf, partOf } from '@/ui/piece';

// Seen once by each keeper: whoever has a tank need not fetch it.
const WelcomeScreen = partOf(welcome, 'WelcomeScreen');
const LiveRuns = partOf(runs, 'LiveRuns');
const TodayTop = partOf(dailyLife, 'TodayTop');
const DailyFoot = partOf(dailyLife, 'TodayFoot');
const FolderReminder = besideOf(data, 'FolderReminder');

function TodayFoot() {
  const [folderChosen] = useFolderChosen();
  return (
    <>
      <DailyFoot />
      {folderChosen ? <FolderReminder /> : null}
    </>
  );
}

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
