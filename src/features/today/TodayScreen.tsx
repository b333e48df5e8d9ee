import { Suspense, useMemo, type ComponentType } from 'react';
import { View } from 'react-native';
import { todaySentence, outOfBand } from '@/core/cycle/words/todaySentence';
import { readingWords } from '@/core/history/reading';
import { SALINITY_NOTE } from '@/core/meaning/notes';
import { PARAMETERS } from '@/core/parameters/registry';
import { shortDay } from '@/core/time/words';
import { daysBetween } from '@/core/time/zone';
import {
  selectAhead,
  selectDueTasks,
  selectForecast,
  selectHistory,
  selectMilestones,
  selectVerdict,
} from '@/store/inView';
import { selectBands, selectNow, selectSettings } from '@/store/selectors';
import { useAppSelector } from '@/store/hooks';
import { entryMoments } from '@/core/history/events';
import { FishInWatch } from '@/frame/FishInWatch';
import { RemedyLink } from '@/frame/RemedyLink';
import { milestoneMarks } from '@/core/cycle/milestoneMarks';
import { TankHead } from '@/frame/TankHead';
import { Timeline } from '@/ui/Drawing';
import { Remark } from '@/ui/Remark';
import { SectionHead } from '@/ui/Row';
import { Opening, Screen } from '@/ui/Screen';
import { useWide } from '@/ui/useWide';
import { AheadOfClock } from './AheadOfClock';
import { DueList } from './DueList';
import { InQuarantine } from './InQuarantine';
import { Lately } from './Lately';
import { LatestStrip } from './LatestStrip';

/** Parts of Today that are fetched after it: what goes on, what daily life puts on top and at the foot. */
interface TodayParts {
  Going?: ComponentType<{ now: number }>;
  Top?: ComponentType;
  Foot?: ComponentType;
}

/**
 * Whether the tank may take fish, where it is on its course, and what is worth doing now; on top of
 * that, where a run goes on, what shows it.
 */
export function TodayScreen({ Going, Top, Foot }: TodayParts) {
  const history = useAppSelector(selectHistory);
  const verdict = useAppSelector(selectVerdict);
  const milestones = useAppSelector(selectMilestones);
  const tasks = useAppSelector(selectDueTasks);
  const forecast = useAppSelector(selectForecast);
  const settings = useAppSelector(selectSettings);
  const bands = useAppSelector(selectBands);
  const now = useAppSelector(selectNow);
  const ahead = useAppSelector(selectAhead);
  const wide = useWide();
  const marks = useMemo(
    () => milestoneMarks(milestones, history?.tank.zone ?? 'UTC'),
    [milestones, history],
  );
  const ticks = useMemo(() => (history ? entryMoments(history) : []), [history]);
  if (!history || !verdict) return null;
  const { zone } = history.tank;
  const sentence = todaySentence(history, verdict, bands, forecast, now);
  const day = history.start === null ? null : daysBetween(history.start, now, zone);
  const due = <DueList tasks={tasks} tank={{ id: history.tankId, zone }} />;
  const watch = outOfBand(history, bands, now).filter(() => history.standing.runningSince === null);
  const watching =
    watch.length > 0 ? (
      <View style={{ gap: 12 }}>
        <SectionHead title="Watch" />
        {watch.map(({ parameter, reading, side }) => (
          <View key={parameter}>
            <Remark
              tone="caution"
              title={`${PARAMETERS[parameter].name} is ${side === 'below' ? 'low' : 'high'}`}
            >
              {`${readingWords(reading)} on ${shortDay(reading.at, zone)}. ${WATCH_NOTES[parameter] ?? ''}`.trim()}
            </Remark>
            <RemedyLink parameter={parameter} side={side} />
          </View>
        ))}
      </View>
    ) : null;
  return (
    <Screen
      head={<TankHead />}
      aside={
        wide ? (
          <>
            {due}
            {watching}
          </>
        ) : undefined
      }
    >
      <Opening title={sentence.title}>{sentence.detail}</Opening>
      <AheadOfClock heads={ahead} history={history} now={now} />
      {Going ? (
        <Suspense fallback={null}>
          <Going now={now} />
        </Suspense>
      ) : null}
      {Top ? (
        <Suspense fallback={null}>
          <Top />
        </Suspense>
      ) : null}
      <FishInWatch history={history} forecast={forecast} now={now} />
      {marks.length > 0 && day !== null ? (
        <Timeline
          marks={marks}
          ticks={ticks}
          now={now}
          nowLabel={`now, day ${day}`}
          summary={`The timeline of ${history.tank.name}: ${marks.map((m) => `${m.label} ${m.date}`).join(', ')}; now day ${day}.`}
        />
      ) : null}
      {history.start === null ? null : (
        <LatestStrip history={history} settings={settings} bands={bands} now={now} />
      )}
      {wide ? null : (
        <>
          {due}
          {watching}
        </>
      )}
      <InQuarantine tankId={history.tankId} now={now} />
      {Foot ? (
        <Suspense fallback={null}>
          <Foot />
        </Suspense>
      ) : null}
      <Lately history={history} now={now} most={wide ? 6 : 4} />
    </Screen>
  );
}

const WATCH_NOTES: Partial<Record<keyof typeof PARAMETERS, string>> = {
  alkalinity: 'Clearing ammonium uses it up, and filter bacteria short of it slow down.',
  temperature: 'A cold tank cycles slowly; a hot one holds less oxygen.',
  salinity: SALINITY_NOTE,
  ph: 'Do not chase pH; fresh air and alkalinity move it.',
};
