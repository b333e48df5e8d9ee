import { useRouter } from 'expo-router';
import { View } from 'react-native';
import { isHere, rosterOf } from '@/core/livestock/roster/roster';
import { upkeepOf } from '@/core/maintenance/load';
import { animalsCalled } from '@/core/records/kinds/animals';
import { aboutSpan } from '@/core/units/duration';
import { countOf } from '@/core/units/format';
import { to } from '@/frame/addresses';
import { BackHead } from '@/frame/BackHead';
import { useAppSelector } from '@/store/hooks';
import { selectHistory } from '@/store/inView';
import { Button } from '@/ui/Press';
import { Remark } from '@/ui/Remark';
import { Row, SectionHead } from '@/ui/Row';
import { Opening, Screen } from '@/ui/Screen';
import { useMaintenance } from './useMaintenance';

/** Taking the tank in view down: who needs a home, and in which order it goes. */
export function CloseTankScreen() {
  const router = useRouter();
  const history = useAppSelector(selectHistory);
  const maintenance = useMaintenance();
  if (!history) return null;
  const cohorts = rosterOf(history).filter(isHere);
  const animals = cohorts.reduce((sum, { here }) => sum + (here ?? 1), 0);
  const { minutes } = upkeepOf(history, maintenance);
  return (
    <Screen head={<BackHead title="Close" aside={history.tank.name} />}>
      <Opening
        title={
          animals === 0
            ? 'No animal needs a home.'
            : `${countOf(animals, 'animal')} need${animals === 1 ? 's' : ''} a home first.`
        }
      >
        {`It gives back about ${aboutSpan(minutes)} a week. Its log stays, and the closing can be undone.`}
      </Opening>
      {cohorts.length > 0 ? (
        <View>
          <SectionHead title="Who lives here" />
          {cohorts.map((cohort) => (
            <Row
              key={cohort.id}
              title={animalsCalled(cohort.what, cohort.here ?? 1)}
              onPress={() => router.push(to.cohort(cohort.id))}
            />
          ))}
        </View>
      ) : null}
      <Remark tone="caution" title="Never into the wild">
        No animal, rock, alga or water of it goes into the sea, a pond or a drain outdoors: it kills
        what lives there, and the law forbids it in most places.
      </Remark>
      <Button
        kind="primary"
        label="Take it down, step by step"
        onPress={() => router.push(to.run('closeTank'))}
      />
    </Screen>
  );
}
