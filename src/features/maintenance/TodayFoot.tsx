import { View } from 'react-native';
import { todaySentence } from '@/core/cycle/words/todaySentence';
import { spanOfMinutes } from '@/core/units/duration';
import { countOf } from '@/core/units/format';
import { useAppDispatch, useAppSelector } from '@/store/hooks';
import { selectBands, selectNow, selectTankId } from '@/store/selectors';
import { tankChosen } from '@/store/sessionSlice';
import { selectForecastOf, selectHistoryOf, selectTasksOf, selectVerdictOf } from '@/store/world';
import { Row, SectionHead } from '@/ui/Row';
import { Words } from '@/ui/Words';
import { CopyReminder } from './CopyReminder';
import { useHistories } from './useMaintenance';

/** The foot of Today: the other tanks, and what is in no copy. */
export function TodayFoot() {
  return (
    <>
      <OtherTanks />
      <CopyReminder />
    </>
  );
}

/** Every other tank at a glance: how it stands, and how much is due at it. */
function OtherTanks() {
  const inView = useAppSelector(selectTankId);
  const others = useHistories().filter(({ tankId }) => tankId !== inView);
  if (others.length === 0) return null;
  return (
    <View>
      <SectionHead title="Your other tanks" />
      {others.map(({ tankId }) => (
        <Glance key={tankId} tankId={tankId} />
      ))}
    </View>
  );
}

function Glance({ tankId }: { tankId: string }) {
  const dispatch = useAppDispatch();
  const history = useAppSelector((state) => selectHistoryOf(state, tankId));
  const verdict = useAppSelector((state) => selectVerdictOf(state, tankId));
  const tasks = useAppSelector((state) => selectTasksOf(state, tankId));
  const forecast = useAppSelector((state) => selectForecastOf(state, tankId));
  const bands = useAppSelector(selectBands);
  const now = useAppSelector(selectNow);
  if (!history || !verdict) return null;
  const { title } = todaySentence(history, verdict, bands, forecast, now);
  const due = tasks.filter(({ inDays }) => inDays <= 0);
  const minutes = due.reduce((sum, task) => sum + task.minutes, 0);
  const much = due.length === 0 ? 'nothing due' : `${countOf(due.length, 'thing')} due`;
  return (
    <Row
      title={history.tank.name}
      note={title}
      accessibleName={`${history.tank.name}: ${title} ${much}. Look at it`}
      end={
        <>
          <Words as="soft">{much}</Words>
          {due.length > 0 ? <Words as="aside">{spanOfMinutes(minutes)}</Words> : null}
        </>
      }
      onPress={() => dispatch(tankChosen(tankId))}
    />
  );
}
