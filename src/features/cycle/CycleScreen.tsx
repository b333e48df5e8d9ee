import { useRouter } from 'expo-router';
import { useDeferredValue, useMemo, useState } from 'react';
import { View } from 'react-native';
import { challengeRun } from '@/core/cycle/dosing/challengeRun';
import { redoseAdvice } from '@/core/cycle/dosing/redose';
import { proofDoseWords, riseWords } from '@/core/cycle/doseSize';
import { cycleSentence } from '@/core/cycle/words/cycleSentence';
import { doneRuleWords } from '@/core/cycle/doneRules';
import { spanWords } from '@/core/time/words';
import { DAY_MS, daysBetween } from '@/core/time/zone';
import {
  selectForecast,
  selectForecastStanding,
  selectHistory,
  selectMilestones,
  selectVerdict,
} from '@/store/inView';
import { selectNow } from '@/store/selectors';
import { useAppSelector } from '@/store/hooks';
import { FishInWatch } from '@/frame/FishInWatch';
import { milestoneMarks } from '@/core/cycle/milestoneMarks';
import { TankHead } from '@/frame/TankHead';
import { Timeline } from '@/ui/Drawing';
import { LinkButton } from '@/ui/Press';
import { Row, SectionHead } from '@/ui/Row';
import { Opening, Screen } from '@/ui/Screen';
import { useWide } from '@/ui/useWide';
import { Words } from '@/ui/Words';
import { CriterionList, GateList } from './CriterionList';
import { CycleChart } from './CycleChart';
import { Figures } from './Figures';
import { methodWords } from './methodWords';
import { HeldBack, IfYouDoNothing, NextTest } from './NextTest';
import { DoneRuleSheet } from './DoneRuleSheet';

export { CycleChart, cycleSentence };

/**
 * Where the cycle stands: what was read and what lies ahead, the verdict criterion by criterion, the
 * test worth doing, what holds it back, and the doses.
 */
export function CycleScreen() {
  const history = useAppSelector(selectHistory);
  const verdict = useAppSelector(selectVerdict);
  // Drawn in slices when a new one arrives, so that a tap is never kept waiting by it.
  const forecast = useDeferredValue(useAppSelector(selectForecast));
  const now = useAppSelector(selectNow);
  const router = useRouter();
  const wide = useWide();
  const [choosing, setChoosing] = useState(false);
  if (!history || !verdict) return null;
  const sentence = cycleSentence(history, verdict, forecast);
  const running = history.standing.runningSince;
  const zone = history.tank.zone;
  const live = forecast?.fed && !running ? forecast : null;
  const criteria = (
    <View>
      <SectionHead
        title="Ready when"
        end={
          <LinkButton
            soft
            label={doneRuleWords(history.tank.doneRule)}
            accessibleName={`Rule for done: ${doneRuleWords(history.tank.doneRule)}. Change`}
            onPress={() => setChoosing(true)}
          />
        }
      />
      <CriterionList verdict={verdict} />
    </View>
  );
  const advice = live ? (
    <>
      <NextTest history={history} forecast={live} zone={zone} now={now} />
      <IfYouDoNothing history={history} forecast={live} zone={zone} now={now} />
      <HeldBack forecast={live} />
    </>
  ) : null;
  const judgement = (
    <>
      {criteria}
      {advice}
      <GateList verdict={verdict} />
    </>
  );
  return (
    <Screen head={<TankHead place="Cycle" />} aside={wide ? judgement : undefined}>
      <View style={{ alignItems: 'flex-start' }}>
        <Opening title={sentence.title}>{sentence.detail}</Opening>
        <LinkButton
          soft
          label={methodWords(history.tank, history.tank.method)}
          accessibleName={`Method: ${methodWords(history.tank, history.tank.method)}. Compare methods`}
          onPress={() => router.push('/cycle/method')}
        />
      </View>
      {running !== null ? (
        <Words as="soft">
          {`You recorded that it has been running for ${spanWords(daysBetween(running, now, zone))}. What follows is judged on tests alone.`}
        </Words>
      ) : null}
      <FishInWatch history={history} forecast={live} now={now} />
      <Waiting />
      <CycleChart history={history} forecast={live} now={now} wide={wide} />
      {live ? <Figures forecast={live} history={history} now={now} /> : null}
      {wide && live ? <CycleTimeline /> : null}
      {wide ? null : judgement}
      <DoseRows />
      <DoneRuleSheet open={choosing} onClose={() => setChoosing(false)} />
    </Screen>
  );
}

/** Says that the forecast is being worked out, or could not be. */
function Waiting() {
  const standing = useAppSelector(selectForecastStanding);
  if (!standing) return null;
  const { status, progress, value: forecast } = standing;
  if (status === 'running' && !forecast) {
    return (
      <Words as="soft" live>
        {`Working out the forecast, ${Math.round(progress * 100)} %.`}
      </Words>
    );
  }
  if (status === 'failed') {
    return (
      <Words as="soft" live>
        The forecast could not be worked out. Everything you logged is safe; it is tried again with
        the next entry.
      </Words>
    );
  }
  return null;
}

function CycleTimeline() {
  const history = useAppSelector(selectHistory);
  const milestones = useAppSelector(selectMilestones);
  const now = useAppSelector(selectNow);
  const marks = useMemo(
    () => milestoneMarks(milestones, history?.tank.zone ?? 'UTC'),
    [milestones, history],
  );
  if (!history || history.start === null || marks.length === 0) return null;
  return (
    <Timeline
      bare
      marks={marks}
      ticks={[]}
      now={now}
      nowLabel={`now, day ${Math.floor((now - history.start) / DAY_MS)}`}
      summary={`The timeline: ${marks.map((m) => `${m.label} ${m.date}`).join(', ')}.`}
    />
  );
}

/** The ways into doses, challenge, programme and the last steps, each with its answer. */
function DoseRows() {
  const history = useAppSelector(selectHistory);
  const forecast = useAppSelector(selectForecast);
  const now = useAppSelector(selectNow);
  const router = useRouter();
  if (!history || history.standing.runningSince) return null;
  const advice = redoseAdvice(history, forecast, now);
  const run = challengeRun(history, now);
  const scheduled = forecast?.scheduledDoses[0];
  const challengeNote = {
    ready: scheduled
      ? 'Your rule for done asks for it once both are clear'
      : `${proofDoseWords(history)}, both gone a day or two later`,
    running: 'Running',
    due: 'Test both now',
    passed: 'Passed',
    failed: 'Not passed',
    missed: 'The test was missed',
  }[run.phase];
  return (
    <View>
      <SectionHead title="Doses" />
      <Row
        title={advice.rise > 0 ? `Dose ${riseWords(history, advice.rise)}` : 'No ammonia now'}
        note={advice.because}
        onPress={() => router.push('/cycle/dose')}
      />
      <Row title="Challenge" note={challengeNote} onPress={() => router.push('/cycle/challenge')} />
      <Row
        title="Bottle programme"
        note="A bottle’s label as a dated schedule"
        onPress={() => router.push('/cycle/programme')}
      />
      <Row
        title="Compare methods"
        note="Every source and seed, played in this tank"
        onPress={() => router.push('/cycle/method')}
      />
      <Row
        title="At the end"
        note="Water change, alkalinity, skimmer, and feeding the filter bacteria until there are fish"
        onPress={() => router.push('/cycle/end')}
      />
    </View>
  );
}
