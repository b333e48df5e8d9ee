import { to } from '@/frame/addresses';
import { useRouter } from 'expo-router';
import { View } from 'react-native';
import { formatIn } from '@/core/parameters/convert';
import { isClosed } from '@/core/history/tanksInOrder';
import { netVolume } from '@/core/water/volume';
import { countOf } from '@/core/units/format';
import { selectLog, selectSettings, selectTank, selectTanks } from '@/store/selectors';
import { useAppSelector } from '@/store/hooks';
import { Button } from '@/ui/Press';
import { Row, SectionHead } from '@/ui/Row';
import { Opening, Screen } from '@/ui/Screen';
import { factsOf } from '@/core/tank/tankFacts';

/** Every tank, and the way to add one. */
export function TanksScreen() {
  const tanks = useAppSelector(selectTanks);
  const tank = useAppSelector(selectTank);
  const log = useAppSelector(selectLog);
  const { volumeUnit } = useAppSelector(selectSettings);
  const router = useRouter();
  const total = tanks.reduce((sum, tank) => sum + netVolume(tank.body.volume).net, 0);
  return (
    <Screen>
      <Opening title={tanks.length === 0 ? 'No tank yet.' : `${countOf(tanks.length, 'tank')}.`}>
        {tanks.length === 0
          ? 'Set one up and its timeline begins.'
          : `${formatIn(total, volumeUnit, 0)} of water in all.`}
      </Opening>
      {tanks.map((one) => {
        const { net, gross } = netVolume(one.body.volume);
        const facts = factsOf(log, one.id, one.body.zone);
        const gates = [
          facts.lid ? 'lid fitted' : 'no lid',
          facts.heaterVerifiedOn ? 'heater verified' : 'heater not verified',
        ];
        return (
          <Row
            key={one.id}
            title={one.body.name}
            note={
              isClosed(log, one.id)
                ? 'closed; its log is kept'
                : `${formatIn(net, volumeUnit, 0)} net of ${formatIn(gross, volumeUnit, 0)}, ${one.body.kind}, ${gates.join(', ')}`
            }
            onPress={() => router.push(to.tank(one.id))}
          />
        );
      })}
      <Button label="Add a tank" onPress={() => router.push('/tanks/new')} />
      {tank ? (
        <View>
          <SectionHead title="Larger, more, fewer" />
          <Row
            title="What one more tank takes"
            note="Minutes and litres a week, before it is bought"
            onPress={() => router.push(to.moving('add'))}
          />
          <Row
            title={`Move ${tank.body.name} to another tank`}
            note="The filter’s gap, the water, the order"
            onPress={() => router.push(to.moving('move'))}
          />
          <Row
            title={`Close ${tank.body.name}`}
            note="Who needs a home, and what goes when"
            onPress={() => router.push(to.moving('close'))}
          />
        </View>
      ) : null}
    </Screen>
  );
}
