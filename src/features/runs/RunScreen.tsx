import { useRouter } from 'expo-router';
import { useEffect, useState } from 'react';
import { View } from 'react-native';
import { liveHead } from '@/core/records/log';
import type { RevisionOf } from '@/core/records/schema/revision';
import { ended, standingOfRun, withStep, type RunStanding } from '@/core/runs/standing';
import { isProcedure, PROCEDURES, type Procedure, type ProcedureId } from '@/core/runs/procedures';
import { countdownWords, momentInSentence } from '@/core/time/words';
import { isoInZone } from '@/core/time/zone';
import { countOf } from '@/core/units/format';
import type { Opens } from '@/core/tasks/types';
import { BackHead } from '@/frame/BackHead';
import { addressOf } from '@/frame/addressOf';
import { useLeave } from '@/frame/useLeave';
import { useAppDispatch, useAppSelector } from '@/store/hooks';
import { beginRun, changeRun, liveRun, newRun } from '@/store/runs';
import { selectLog, selectTank } from '@/store/selectors';
import { tankChosen } from '@/store/sessionSlice';
import { wallClock } from '@/store/wallClock';
import { Button } from '@/ui/Press';
import { Row } from '@/ui/Row';
import { Opening, Screen } from '@/ui/Screen';
import { useWakeLock } from '@/ui/useWakeLock';
import { Figure, Words } from '@/ui/Words';

/** A run by its id; or by that of its procedure, to go on with or to begin at the tank in view. */
export function RunScreen({ id }: { id: string }) {
  return isProcedure(id) ? <Beginning procedure={id} /> : <Known id={id} />;
}

/** A procedure of which no run goes on here: its steps, and the beginning of it. */
function Beginning({ procedure }: { procedure: ProcedureId }) {
  const tank = useAppSelector(selectTank);
  const live = useAppSelector((state) => (tank ? liveRun(state, tank.id, procedure) : undefined));
  const dispatch = useAppDispatch();
  const router = useRouter();
  const [busy, setBusy] = useState(false);
  if (!tank) return null;
  if (live) return <Running key={live.id} run={live} />;
  const { name, steps, begins }: Procedure = PROCEDURES[procedure];
  const fresh = newRun(procedure, tank.id, isoInZone(wallClock(), tank.body.zone));
  return (
    <Screen head={<BackHead title={name} aside={tank.body.name} />}>
      <Opening title={`${name}.`}>{`${countOf(steps.length, 'step')}, none begun here.`}</Opening>
      <View>
        {steps.map((step) => (
          <Row key={step.id} title={step.title} note={step.text(fresh)} />
        ))}
      </View>
      <Button
        kind="primary"
        label={begins?.label ?? 'Begin'}
        disabled={busy}
        onPress={() => {
          if (begins) return router.push(addressOf(begins));
          setBusy(true);
          void dispatch(beginRun(procedure, tank.id, {})).then(() => setBusy(false));
        }}
      />
    </Screen>
  );
}

/** A run, one step on the screen: what to do now, how long still, and what comes next. */
function Known({ id }: { id: string }) {
  const run = useAppSelector((state) => liveHead(selectLog(state), id, 'run'));
  const leave = useLeave();
  if (!run || run.body.ended) {
    return (
      <Screen>
        <Opening title={run ? 'This is done.' : 'This is gone.'}>
          {run
            ? 'What it logged is in the log.'
            : 'It was removed, or belongs to another log. Data shows what was changed lately.'}
        </Opening>
        <Button label="Back" onPress={leave} />
      </Screen>
    );
  }
  return <Running key={run.id} run={run} />;
}

function Running({ run }: { run: RevisionOf<'run'> }) {
  const dispatch = useAppDispatch();
  const router = useRouter();
  const inView = useAppSelector(selectTank);
  const tank = useAppSelector((state) => liveHead(selectLog(state), run.body.tankId, 'tank'));
  const [now, setNow] = useState(wallClock);
  useWakeLock();
  useEffect(() => {
    const ticker = setInterval(() => setNow(wallClock()), 500);
    return () => clearInterval(ticker);
  }, []);
  const standing = standingOfRun(run.body, now);
  const zone = tank?.body.zone ?? 'UTC';
  const end = (how: 'done' | 'stopped') =>
    void dispatch(changeRun(run, (body, at) => ended(body, at, how)));
  if (!standing) {
    return (
      <Screen>
        <Opening title="A newer Zoarium began this.">
          It is kept as it is, and can be gone on with once this one is updated.
        </Opening>
      </Screen>
    );
  }
  const { procedure, step, place, count } = standing;
  const lead = (opens: Opens) => {
    // Forms are for the tank in view; this run may be of another.
    if (inView?.id !== run.body.tankId) dispatch(tankChosen(run.body.tankId));
    router.push(addressOf(opens));
  };
  return (
    <Screen head={<BackHead title={procedure.name} aside={`step ${place} of ${count}`} />}>
      <Opening title={`${step?.title ?? 'All steps are done'}.`}>
        {step?.text(run.body) ?? 'It can be closed.'}
      </Opening>
      <Clocks standing={standing} zone={zone} now={now} />
      {step?.opens ? (
        <Button kind="primary" label={step.opens.label} onPress={() => lead(step.opens as Opens)} />
      ) : step?.kind === 'check' ? (
        <Button
          kind="primary"
          label="Done"
          onPress={() => void dispatch(changeRun(run, (body, at) => withStep(body, step.id, at)))}
        />
      ) : null}
      <View style={{ gap: 12 }}>
        {step ? null : <Button kind="primary" label="Close it" onPress={() => end('done')} />}
        <Button label="Stop it" onPress={() => end('stopped')} />
      </View>
    </Screen>
  );
}

function Clocks({ standing, zone, now }: { standing: RunStanding; zone: string; now: number }) {
  return (
    <View style={{ gap: 16 }}>
      {standing.clocks.map((clock) => (
        <View key={clock.id}>
          <Words as="strong">{clock.name}</Words>
          <Figure value={countdownWords(clock.left)} size={72} />
          <Words as="soft">
            {clock.left === 0
              ? `ended ${momentInSentence(clock.ends, zone, now)}`
              : `left, ends ${momentInSentence(clock.ends, zone, now)}`}
          </Words>
        </View>
      ))}
    </View>
  );
}
