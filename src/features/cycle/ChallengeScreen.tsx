import { useRouter } from 'expo-router';
import { challengeRun, type ChallengeRun } from '@/core/cycle/dosing/challengeRun';
import { hasAnimals } from '@/core/cycle/doseAdvice';
import { noDoseBecause } from '@/core/cycle/verdict/outstanding';
import { proofDose, riseWords } from '@/core/cycle/doseSize';
import { testHoursOf } from '@/core/cycle/verdict/criteria/challenge';
import { leftOfDose } from '@/core/cycle/verdict/proof';
import { dateRangeInSentence } from '@/core/cycle/forecast/dates/rangeWords';
import { countdownWords, momentInSentence } from '@/core/time/words';
import { formatPlain } from '@/core/units/format';
import { selectForecast, selectHistory } from '@/store/inView';
import { useAppSelector } from '@/store/hooks';
import { BackHead } from '@/frame/BackHead';
import { Button } from '@/ui/Press';
import { Remark } from '@/ui/Remark';
import { Opening, Screen } from '@/ui/Screen';
import { Figure, Words } from '@/ui/Words';
import { useSecond } from './useSecond';

const TITLES: Record<Exclude<ChallengeRun['phase'], 'ready'>, string> = {
  running: 'Let it work.',
  due: 'Test both now.',
  passed: 'Passed.',
  failed: 'Not yet.',
  missed: 'Nobody looked in time.',
};

/** The challenge, one step at a time: dose, wait with a timer, test both. */
export function ChallengeScreen() {
  const history = useAppSelector(selectHistory);
  const forecast = useAppSelector(selectForecast);
  const router = useRouter();
  const now = useSecond(true);
  if (!history) return null;
  const { zone, doneRule } = history.tank;
  const hours = testHoursOf(doneRule);
  const run = challengeRun(history, now);
  const rise = proofDose(history);
  const size = `${riseWords(history, rise)} (${formatPlain(rise, 1)} ppm N)`;
  const [next] = forecast?.scheduledDoses ?? [];
  const detail = {
    ready: `Once both read zero, dose ${size} and test ammonia and nitrite ${hours} h later. Both at zero by then shows filter bacteria that carry a first light stocking. Change no water in between.`,
    running: `Dosed ${momentInSentence(run.phase === 'ready' ? now : run.dose.at, zone, now)}. Test ammonia and nitrite when the time is up.`,
    due: 'The time is up: test ammonia and nitrite. A test within two hours still counts.',
    passed: `Ammonia and nitrite were gone within ${hours} h.`,
    failed: `${leftOfDose(history, now) ?? 'One of them was still there.'} No dose on top of it: test both tomorrow, and once they are clear the next may go in. Every dose grows the filter bacteria.`,
    missed: `No test was made within two hours of the ${hours} h. Dose again when you will be home a day later.`,
  }[run.phase];
  const asksForDose = ['ready', 'missed'].includes(run.phase);
  const forbidden = asksForDose ? noDoseBecause(history, now) : null;
  const title =
    run.phase === 'ready'
      ? `Can it clear ${riseWords(history, rise)} in ${hours} h?`
      : TITLES[run.phase];
  const notNow = hasAnimals(history) ? 'Not with an animal in.' : 'Not now.';
  return (
    <Screen head={<BackHead title="Challenge" aside={history.tank.name} />}>
      <Opening title={forbidden === null ? title : notNow}>{forbidden ?? detail}</Opening>
      {run.phase === 'running' ? (
        <>
          <Words as="soft">Test both in</Words>
          <Figure value={countdownWords(run.testAt - now)} size={64} />
          <Words as="soft">{`at ${momentInSentence(run.testAt, zone, now)}; this page may be closed`}</Words>
        </>
      ) : null}
      {run.phase === 'ready' && next ? (
        <Words as="body">
          {`By the forecast both are clear for it ${dateRangeInSentence({ ...next, p25: next.p10, p75: next.p90 }, zone, now)}.`}
        </Words>
      ) : null}
      {asksForDose && forbidden === null ? (
        <>
          <Button
            kind="primary"
            label="Measure out the dose"
            onPress={() => router.push('/cycle/dose')}
          />
          <Remark tone="watch" title="Not with an animal in">
            The dose would harm it. Its food is the challenge then.
          </Remark>
        </>
      ) : null}
      {run.phase === 'due' || run.phase === 'running' ? (
        <Button
          kind={run.phase === 'due' ? 'primary' : 'plain'}
          label="Log the test"
          onPress={() => router.push('/log/test')}
        />
      ) : null}
      {run.phase === 'passed' ? (
        <Button
          kind="primary"
          label="To the last steps"
          onPress={() => router.push('/cycle/end')}
        />
      ) : null}
    </Screen>
  );
}
