import { useRouter } from 'expo-router';
import { useEffect, useState } from 'react';
import { View } from 'react-native';
import { liveHead } from '@/core/records/log';
import { stepsOf, type Procedure, stepText } from '@/core/runs/procedure';
import { isProcedure, PROCEDURES, type ProcedureId } from '@/core/runs/procedures';
import { isoInZone } from '@/core/time/zone';
import { countOf } from '@/core/units/format';
import { BackHead } from '@/frame/BackHead';
import { addressOf } from '@/frame/addressOf';
import { useLeave } from '@/frame/useLeave';
import { useMeasures } from '@/frame/useMeasures';
import { useAppDispatch, useAppSelector } from '@/store/hooks';
import { beginRun, liveRun, newRun } from '@/store/runs';
import { selectHistory } from '@/store/inView';
import { selectLog, selectTank } from '@/store/selectors';
import { wallClock } from '@/store/wallClock';
import { to } from '@/frame/addresses';
import { Button } from '@/ui/Press';
import { Row } from '@/ui/Row';
import { Opening, Screen } from '@/ui/Screen';
import { Running } from './Running';

/** A run by its id; or by that of its procedure, to go on with or to begin at the tank in view. */
export function RunScreen({ id }: { id: string }) {
  return isProcedure(id) ? <Beginning procedure={id} /> : <Known id={id} />;
}

/** A procedure of which no run goes on here: its steps, and the beginning of it. */
function Beginning({ procedure }: { procedure: ProcedureId }) {
  const tank = useAppSelector(selectTank);
  const live = useAppSelector((state) => (tank ? liveRun(state, tank.id, procedure) : undefined));
  const history = useAppSelector(selectHistory);
  const dispatch = useAppDispatch();
  const router = useRouter();
  const [busy, setBusy] = useState(false);
  const measured = useMeasures();
  if (!tank) return <Plainly procedure={procedure} />;
  if (live?.body.procedure === 'acclimate') {
    return <Elsewhere address={to.acclimation(live.id)} />;
  }
  if (live) return <Running key={live.id} run={live} />;
  const { name, begins }: Procedure = PROCEDURES[procedure];
  const fresh = newRun(procedure, tank.id, isoInZone(wallClock(), tank.body.zone));
  const steps = stepsOf(PROCEDURES[procedure], fresh);
  return (
    <Screen head={<BackHead title={name} aside={tank.body.name} />}>
      <Opening title={`${name}.`}>{`${countOf(steps.length, 'step')}, none begun here.`}</Opening>
      <View>
        {steps.map((step) => (
          <Row key={step.id} title={step.title} note={measured(stepText(step, fresh, history))} />
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

/** The steps of an emergency where there is no tank to keep a run of: to be read, all of them. */
function Plainly({ procedure }: { procedure: ProcedureId }) {
  const measured = useMeasures();
  const { name, urgent, steps }: Procedure = PROCEDURES[procedure];
  const router = useRouter();
  if (!urgent) return <Elsewhere address={to.today} />;
  const run = newRun(procedure, '', '');
  return (
    <Screen head={<BackHead title={name} />}>
      <Opening title={`${name}.`}>{urgent.sign}</Opening>
      <View>
        {steps.map((step) => (
          <Row
            key={step.id}
            title={step.title}
            note={measured(stepText(step, run, null).replaceAll('**', ''))}
          />
        ))}
      </View>
      <Button label="Other emergencies" onPress={() => router.replace(to.emergency)} />
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
  if (run.body.procedure === 'acclimate') return <Elsewhere address={to.acclimation(run.id)} />;
  return <Running key={run.id} run={run} />;
}

/** A run that has a page of its own, which this address leads to. */
function Elsewhere({ address }: { address: string }) {
  const router = useRouter();
  useEffect(() => router.replace(address), [router, address]);
  return null;
}
