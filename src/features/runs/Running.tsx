import { useRouter } from 'expo-router';
import { useEffect, useState } from 'react';
import { View } from 'react-native';
import Check from 'lucide-react-native/icons/check';
import { liveHead } from '@/core/records/log';
import type { Entry } from '@/core/records/kinds';
import type { RevisionOf } from '@/core/records/schema/revision';
import { SPAN_WORDS, stepsOf, type Step, stepText } from '@/core/runs/procedure';
import { ended } from '@/core/runs/procedures/changes';
import { standingOfRun, type RunStanding } from '@/core/runs/standing';
import { countdownWords, momentInSentence } from '@/core/time/words';
import { isoInZone } from '@/core/time/zone';
import { useMeasures } from '@/frame/useMeasures';
import { BackHead } from '@/frame/BackHead';
import { StopIt } from '@/frame/StopIt';
import { useAppDispatch, useAppSelector } from '@/store/hooks';
import { recordAct } from '@/store/record';
import { noteStep } from '@/store/runs';
import { selectLog, selectTank } from '@/store/selectors';
import { tankChosen } from '@/store/sessionSlice';
import { wallClock } from '@/store/wallClock';
import { selectHistoryOf } from '@/store/world';
import { Button } from '@/ui/Press';
import { Row, SectionHead } from '@/ui/Row';
import { Opening, Screen } from '@/ui/Screen';
import { color } from '@/ui/tokens';
import { useWakeLock } from '@/ui/useWakeLock';
import { Figure, Words } from '@/ui/Words';
import { StepControls } from './StepControls';

/** A run that goes on: one step on the screen, and all of them beneath it. */
export function Running({ run }: { run: RevisionOf<'run'> }) {
  const dispatch = useAppDispatch();
  const router = useRouter();
  const inView = useAppSelector(selectTank);
  const tank = useAppSelector((state) => liveHead(selectLog(state), run.body.tankId, 'tank'));
  const history = useAppSelector((state) => selectHistoryOf(state, run.body.tankId));
  const [now, setNow] = useState(wallClock);
  const [looked, setLooked] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const measured = useMeasures();
  useWakeLock();
  useEffect(() => {
    const ticker = setInterval(() => setNow(wallClock()), 500);
    return () => clearInterval(ticker);
  }, []);
  const standing = standingOfRun(run.body, now, history);
  const zone = tank?.body.zone ?? 'UTC';
  if (!standing) {
    return (
      <Screen>
        <Opening title="A newer Zoarium began this.">
          It is kept as it is, and can be gone on with once this one is updated.
        </Opening>
      </Screen>
    );
  }
  const { procedure, place, count } = standing;
  const { leaves } = procedure;
  const steps = stepsOf(procedure, run.body);
  const step = steps.find(({ id }) => id === looked) ?? standing.step;
  const outcome = history && leaves ? leaves.of(run.body, history) : null;
  const end = async (how: 'done' | 'stopped') => {
    setBusy(true);
    await dispatch(
      recordAct(
        (act) => {
          const at = new Date(act.now).toISOString();
          act.revise(run, ended(run.body, at, how));
          if (how !== 'done' || !outcome || !tank) return;
          for (const entry of outcome.entries) {
            const dated = { ...entry, tankId: tank.id, at: isoInZone(act.now, zone) } as Entry;
            act.create('entry', dated);
          }
          if (outcome.volume) {
            const { notEntered = [], ...rest } = tank.body;
            const left = notEntered.filter((part) => part !== 'fill');
            act.revise(tank, {
              ...rest,
              ...(left.length > 0 ? { notEntered: left } : {}),
              volume: outcome.volume,
            });
          }
        },
        how === 'done' && outcome ? { words: `${procedure.name}: logged` } : {},
      ),
    );
    setBusy(false);
  };
  /** Screens are for the tank in view; this run may be of another. */
  const lead = (address: string) => {
    if (inView?.id !== run.body.tankId) dispatch(tankChosen(run.body.tankId));
    router.push(address);
  };
  const note = (id: string, value?: string | number) => {
    setLooked(null);
    void dispatch(noteStep(run, id, value));
  };
  return (
    <Screen
      aside={
        steps.length > 3 ? (
          <Steps
            steps={steps}
            standing={standing}
            current={step?.id ?? null}
            anyOrder={procedure.anyOrder ?? false}
            urgent={procedure.urgent !== undefined}
            onLook={setLooked}
          />
        ) : undefined
      }
      head={<BackHead title={procedure.name} />}
    >
      <View style={{ flexDirection: 'row', justifyContent: 'space-between', gap: 12 }}>
        {step?.span ? (
          <Words as="strong" style={{ color: color.danger }}>
            {SPAN_WORDS[step.span]}
          </Words>
        ) : null}
        <Words as="body" style={{ color: color.inkSoft }}>
          {step ? `step ${looked ? steps.indexOf(step) + 1 : place} of ${count}` : `${count} steps`}
        </Words>
      </View>
      {procedure.urgent ? (
        <Large title={`${step?.title ?? 'All steps are done'}.`}>
          {measured((step && stepText(step, run.body, history)) ?? 'It can be closed.')}
        </Large>
      ) : (
        <Opening title={`${step?.title ?? 'All steps are done'}.`}>
          {measured((step && stepText(step, run.body, history)) ?? 'It can be closed.')}
        </Opening>
      )}
      <Clocks standing={standing} current={step?.id ?? null} zone={zone} now={now} />
      {step ? (
        <StepControls
          key={step.id}
          run={run}
          step={step}
          history={history}
          lead={lead}
          note={(value) => note(step.id, value)}
        />
      ) : null}
      <View style={{ gap: 12 }}>
        {standing.step && !(outcome && standing.done.filter(Boolean).length > 0) ? null : (
          <Button
            kind={standing.step ? 'plain' : 'primary'}
            disabled={busy}
            label={outcome && leaves ? leaves.label : 'Close it'}
            onPress={() => void end('done')}
          />
        )}
        <StopIt name={procedure.name} busy={busy} onStop={() => void end('stopped')} />
      </View>
    </Screen>
  );
}

/** What an emergency says, large enough to be read at arm's length by someone whose hands are wet. */
function Large({ title, children }: { title: string; children: string }) {
  return (
    <View style={{ gap: 10, paddingVertical: 4 }}>
      <Words as="title" style={{ fontSize: 36, lineHeight: 42 }}>
        {title}
      </Words>
      <Words as="lead" style={{ fontSize: 22, lineHeight: 31 }}>
        {children}
      </Words>
    </View>
  );
}

/** Every step with whether it is done; each that may be gone to is a target. */
function Steps({
  steps,
  standing,
  current,
  anyOrder,
  urgent,
  onLook,
}: {
  steps: readonly Step[];
  standing: RunStanding;
  current: string | null;
  anyOrder: boolean;
  urgent: boolean;
  onLook: (id: string) => void;
}) {
  return (
    <View>
      <SectionHead
        title="All steps"
        end={urgent ? 'in this order, if you can' : anyOrder ? 'in any order' : undefined}
      />
      {steps.map((step, index) => {
        const done = standing.done[index] ?? false;
        const reachable = anyOrder || done || index + 1 === standing.place;
        return (
          <Row
            key={step.id}
            title={step.title}
            current={step.id === current}
            accessibleName={`${step.title}, ${done ? 'done' : 'open'}`}
            lead={
              <View style={{ width: 20 }}>
                {done ? <Check size={18} color={color.ink} /> : null}
              </View>
            }
            end={done ? 'done' : step.span ? SPAN_WORDS[step.span].toLowerCase() : ''}
            onPress={reachable ? () => onLook(step.id) : undefined}
          />
        );
      })}
    </View>
  );
}

function Clocks({
  standing,
  current,
  zone,
  now,
}: {
  standing: RunStanding;
  current: string | null;
  zone: string;
  now: number;
}) {
  // A clock that ended with a step that is passed has no more to say.
  const passed = (id: string) =>
    id !== current && standing.procedure.steps.some((step) => step.id === id);
  const clocks = standing.clocks.filter(({ id, left }) => left > 0 || !passed(id));
  return (
    <View style={{ gap: 16 }}>
      {clocks.map((clock) => (
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
