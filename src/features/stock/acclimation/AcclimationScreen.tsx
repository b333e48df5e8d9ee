import { useRouter } from 'expo-router';
import { useEffect, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { liveRunDrip, newcomersOf } from '@/core/acclimation/run';
import { CAUTIONS } from '@/core/cautions';
import { liveHead } from '@/core/records/log';
import { animalsCalled } from '@/core/records/kinds/animals';
import type { RevisionOf } from '@/core/records/schema/revision';
import { withClock, withStep } from '@/core/runs/procedures/changes';
import { stepText, type Step } from '@/core/runs/procedure';
import { acclimate } from '@/core/runs/procedures/acclimate';
import { standingIn } from '@/core/runs/standingIn';
import { countdownWords, momentInSentence } from '@/core/time/words';
import { instant, MINUTE_MS } from '@/core/time/zone';
import { listWords } from '@/core/units/format';
import { to } from '@/frame/addresses';
import { addressOf } from '@/frame/addressOf';
import { BackHead } from '@/frame/BackHead';
import { StopIt } from '@/frame/StopIt';
import { CautionRemark } from '@/frame/CautionRemark';
import { useAppDispatch, useAppSelector } from '@/store/hooks';
import { changeRun, noteStep } from '@/store/runs';
import { selectLog } from '@/store/selectors';
import { wallClock } from '@/store/wallClock';
import { Button } from '@/ui/Press';
import { Remark } from '@/ui/Remark';
import { Opening, Screen } from '@/ui/Screen';
import { color } from '@/ui/tokens';
import { useWakeLock } from '@/ui/useWakeLock';
import { Figure, Words } from '@/ui/Words';
import { CountThrough } from './CountThrough';
import { DripPart } from './DripPart';
import { endAcclimation } from './endAcclimation';
import { ReplacePart } from './ReplacePart';

const styles = StyleSheet.create({
  bar: { flexDirection: 'row', gap: 4, height: 5 },
  part: { flex: 1, backgroundColor: color.rule },
  done: { backgroundColor: color.ink },
});

/** An acclimation that goes on: one step on the screen, in the order that harms nobody. */
export function AcclimationScreen({ id }: { id: string }) {
  const run = useAppSelector((state) => liveHead(selectLog(state), id, 'run'));
  const router = useRouter();
  if (!run || run.body.ended || run.body.procedure !== 'acclimate') {
    return (
      <Screen head={<BackHead title="Acclimation" />}>
        <Opening title={run ? 'This is done.' : 'This is gone.'}>
          {run ? 'Who came in is in the log.' : 'It was removed, or belongs to another log.'}
        </Opening>
        <Button label="To Stock" onPress={() => router.replace(to.stock)} />
      </Screen>
    );
  }
  return <Going run={run} />;
}

function Going({ run }: { run: RevisionOf<'run'> }) {
  const dispatch = useAppDispatch();
  const router = useRouter();
  const tank = useAppSelector((state) => liveHead(selectLog(state), run.body.tankId, 'tank'));
  const [now, setNow] = useState(wallClock);
  const [busy, setBusy] = useState(false);
  useWakeLock();
  useEffect(() => {
    const ticker = setInterval(() => setNow(wallClock()), 500);
    return () => clearInterval(ticker);
  }, []);
  if (!tank) return null;
  const standing = standingIn(acclimate, run.body, now);
  const { step, place, count, done } = standing;
  const { zone } = tank.body;
  const who = listWords(
    newcomersOf(run.body).map(({ what, count: many }) => animalsCalled(what, many)),
  );
  const note = (value?: string | number) => {
    if (step) void dispatch(noteStep(run, step.id, value));
  };
  const end = async (how: 'done' | 'stopped') => {
    setBusy(true);
    await dispatch(endAcclimation(run, how));
    setBusy(false);
    router.replace(how === 'done' ? to.stock : to.today);
  };
  const topOffIsOff =
    run.body.steps.topOff !== undefined &&
    run.body.steps.topOn === undefined &&
    step?.id !== 'topOn';
  return (
    <Screen
      head={
        <View style={{ gap: 8 }}>
          <BackHead title="Acclimation" aside={step ? `${who}, step ${place} of ${count}` : who} />
          <View style={styles.bar} aria-hidden>
            {done.map((passed, i) => (
              // Steps have a fixed order.
              <View key={i} style={[styles.part, passed && styles.done]} />
            ))}
          </View>
        </View>
      }
    >
      <Opening title={step ? `${step.title}.` : 'They are in.'}>
        {step
          ? stepText(step, run.body, null)
          : 'Ending it writes who came in and where, and asks for ammonia tests on days 1, 3 and 7.'}
      </Opening>
      {step?.id === 'drip' ? (
        <DripPart
          run={run}
          now={now}
          zone={zone}
          onMatched={(drawn) =>
            void dispatch(
              changeRun(run, (body, at) => {
                const passed = withStep(body, 'drip', at);
                return { ...passed, given: { ...passed.given, drawn } };
              }),
            )
          }
        />
      ) : step?.id === 'replace' ? (
        <ReplacePart run={run} onNote={note} />
      ) : step?.kind === 'wait' ? (
        <WaitPart run={run} step={step} now={now} zone={zone} onPass={() => note()} />
      ) : null}
      {step?.caution ? <CautionRemark caution={CAUTIONS[step.caution]} /> : null}
      {step?.id === 'over' ? <CountThrough run={run} /> : null}
      {topOffIsOff ? (
        <Remark tone="caution" title="Top-off unit is off">
          It is asked for again at the end, once the salt water that was drawn has gone back.
        </Remark>
      ) : null}
      {step?.opens ? (
        <Button label={opensLabel(step)} onPress={() => router.push(opensAt(step))} />
      ) : null}
      {step?.kind === 'check' ? (
        <Button key={step.id} kind="primary" label="Done" onPress={() => note()} />
      ) : null}
      {step === null ? (
        <Button
          kind="primary"
          disabled={busy}
          label="End it: they are in"
          onPress={() => void end('done')}
        />
      ) : null}
      <StopIt name="Acclimate" busy={busy} onStop={() => void end('stopped')} />
      {liveRunDrip(run.body, now) === null && step?.id !== 'drip' ? null : (
        <Words as="soft">
          Clocks go by the time of day: the page may be closed, and the phone may sleep.
        </Words>
      )}
    </Screen>
  );
}

const opensLabel = ({ opens }: Step) => (opens && typeof opens !== 'function' ? opens.label : '');

const opensAt = ({ opens }: Step): string =>
  opens && typeof opens !== 'function' ? addressOf(opens) : to.today;

/** A clock that is started by hand, and may be passed by. */
function WaitPart({
  run,
  step,
  now,
  zone,
  onPass,
}: {
  run: RevisionOf<'run'>;
  step: Step;
  now: number;
  zone: string;
  onPass: () => void;
}) {
  const dispatch = useAppDispatch();
  const ends = run.body.clocks[step.id];
  const minutes = step.minutes?.(run.body, null) ?? 0;
  if (ends === undefined) {
    return (
      <Button
        kind="primary"
        label={`${step.id === 'dip' ? 'It is in the dip' : 'It floats'}: ${minutes} minutes`}
        onPress={() =>
          void dispatch(
            changeRun(run, (body) =>
              withClock(body, step.id, new Date(now + minutes * MINUTE_MS).toISOString()),
            ),
          )
        }
      />
    );
  }
  const at = instant(ends);
  return (
    <View style={{ gap: 12 }}>
      <Figure value={countdownWords(Math.max(0, at - now))} size={84} />
      <Words as="soft">{`left, ends ${momentInSentence(at, zone, now)}`}</Words>
      <Button
        label={step.id === 'dip' ? 'Out of the dip' : 'The temperature fits already'}
        onPress={onPass}
      />
    </View>
  );
}
