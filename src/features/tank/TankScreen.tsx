import { useRouter } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { liveHead } from '@/core/records/log';
import type { RevisionOf } from '@/core/records/schema/revision';
import { to } from '@/frame/addresses';
import { BackHead } from '@/frame/BackHead';
import { useAppDispatch, useAppSelector } from '@/store/hooks';
import { recordAct } from '@/store/record';
import { selectLog, selectNow, selectSettings, selectTankId } from '@/store/selectors';
import { tankChosen } from '@/store/sessionSlice';
import { Button } from '@/ui/Press';
import { Row, SectionHead } from '@/ui/Row';
import { Opening, Screen } from '@/ui/Screen';
import { describeTank, waterSentence, type Told } from '@/core/tank/description';
import { factsOf } from '@/core/tank/tankFacts';
import { VolumeWorking } from './VolumeWorking';

/** The tank an address names: by its id, or `this` for the one in view; undefined where it is gone. */
export function useTankAt(id: string): RevisionOf<'tank'> | null {
  return useAppSelector((state) =>
    liveHead(selectLog(state), id === 'this' ? selectTankId(state) : id, 'tank'),
  );
}

export function TankGone() {
  return (
    <Screen>
      <Opening title="This tank is gone.">
        It was removed, or belongs to another log. Data shows what was changed lately.
      </Opening>
    </Screen>
  );
}

/** One tank, described; each sentence leads to where it is told. */
export function TankScreen({ id }: { id: string }) {
  const head = useTankAt(id);
  return head ? <Description key={head.id} head={head} /> : <TankGone />;
}

function Description({ head }: { head: RevisionOf<'tank'> }) {
  const log = useAppSelector(selectLog);
  const settings = useAppSelector(selectSettings);
  const now = useAppSelector(selectNow);
  const dispatch = useAppDispatch();
  const router = useRouter();
  const [removing, setRemoving] = useState(false);
  const { body: tank } = head;
  const told = describeTank({ tank, facts: factsOf(log, head.id, tank.zone), settings, now });
  const open = told.filter((one) => one.open);
  const rows = (list: readonly Told[]) =>
    list.map(({ part, title, text }) => (
      <Row
        key={part}
        title={title}
        note={text}
        onPress={() => router.push(to.tankPart(head.id, part))}
      />
    ));
  const remove = async () => {
    if (removing) return;
    setRemoving(true);
    await dispatch(recordAct((act) => act.remove(head), `Removed ${tank.name}`));
    dispatch(tankChosen(null));
    router.replace(to.tanks);
  };
  return (
    <Screen
      head={<BackHead title="Tanks" aside={tank.name} />}
      aside={<VolumeWorking volume={tank.volume} unit={settings.volumeUnit} />}
    >
      <Opening title={`${tank.name}.`}>{waterSentence(tank, settings)}</Opening>
      {open.length > 0 ? (
        <View>
          <SectionHead title="Still to tell" end="when you know it" />
          {rows(open)}
        </View>
      ) : null}
      <View>
        <SectionHead title="What it is" />
        {rows(told.filter((one) => !one.open))}
      </View>
      <Row
        title="When is it done?"
        note="The rule that decides when it may take fish, and how it is cycled"
        onPress={() => router.push(to.cycle)}
      />
      <Button kind="danger" label="Remove this tank" onPress={() => void remove()} />
    </Screen>
  );
}
