import { to } from '@/frame/addresses';
import { useRouter } from 'expo-router';
import { formatIn } from '@/core/parameters/convert';
import { netVolume } from '@/core/water/volume';
import { countOf } from '@/core/units/format';
import { selectLog, selectSettings, selectTanks } from '@/store/selectors';
import { useAppSelector } from '@/store/hooks';
import { Button } from '@/ui/Press';
import { Row } from '@/ui/Row';
import { Opening, Screen } from '@/ui/Screen';
import { factsOf } from './tankFacts';

/** Every tank, and the way to add one. */
export function TanksScreen() {
  const tanks = useAppSelector(selectTanks);
  const log = useAppSelector(selectLog);
  const { volumeUnit } = useAppSelector(selectSettings);
  const router = useRouter();
  const total = tanks.reduce((sum, tank) => sum + netVolume(tank.body.volume).net, 0);
  return (
    <Screen>
      <Opening title={tanks.length === 0 ? 'No tank yet.' : `${countOf(tanks.length, 'tank')}.`}>
        {tanks.length === 0
          ? 'Set one up and its course begins.'
          : `${formatIn(total, volumeUnit, 0)} of water in all.`}
      </Opening>
      {tanks.map((tank) => {
        const { net, gross } = netVolume(tank.body.volume);
        const facts = factsOf(log, tank.id, tank.body.zone);
        const gates = [
          facts.lid ? 'lid fitted' : 'no lid',
          facts.heaterVerifiedOn ? 'heater verified' : 'heater not verified',
        ];
        return (
          <Row
            key={tank.id}
            title={tank.body.name}
            note={`${formatIn(net, volumeUnit, 0)} net of ${formatIn(gross, volumeUnit, 0)}, ${tank.body.kind}, ${gates.join(', ')}`}
            onPress={() => router.push(to.tank(tank.id))}
          />
        );
      })}
      <Button label="Add a tank" onPress={() => router.push('/tanks/new')} />
    </Screen>
  );
}
