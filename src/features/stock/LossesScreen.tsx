import { useRouter } from 'expo-router';
import { View } from 'react-native';
import { lossesIn } from '@/core/livestock/roster/losses';
import { animalsCalled } from '@/core/records/kinds/animals';
import { dayWords } from '@/core/time/words';
import { countOf } from '@/core/units/format';
import { to } from '@/frame/addresses';
import { BackHead } from '@/frame/BackHead';
import { Remark } from '@/ui/Remark';
import { Row } from '@/ui/Row';
import { Opening, Screen } from '@/ui/Screen';
import { useStock } from './useStock';

/** What was lost over time, and a pattern in it where chance would hardly make one. */
export function LossesScreen() {
  const stock = useStock();
  const router = useRouter();
  if (!stock) return null;
  const { history, cohorts, now } = stock;
  const { losses, patterns } = lossesIn(cohorts, now);
  const number = losses.reduce((sum, { count }) => sum + count, 0);
  return (
    <Screen head={<BackHead title="Stock" aside={history.tank.name} />}>
      <Opening title={number === 0 ? 'None on record.' : `${countOf(number, 'loss', 'losses')}.`}>
        {patterns.length > 0
          ? 'Something stands out in them.'
          : number === 0
            ? 'Should there be one, it is kept here without blame.'
            : 'Nothing they share is more than chance would have it.'}
      </Opening>
      {patterns.map(({ text }) => (
        <Remark key={text} tone="watch" title="A pattern">
          {text}
        </Remark>
      ))}
      <View>
        {losses.map(({ cohortId, what, at, count, cause }) => (
          <Row
            key={`${cohortId}/${at}`}
            title={animalsCalled(what, count)}
            note={[dayWords(at, history.tank.zone, now), cause ?? 'cause unknown'].join(', ')}
            onPress={() => router.push(to.cohort(cohortId))}
          />
        ))}
      </View>
    </Screen>
  );
}
