import { useRouter } from 'expo-router';
import { useTyped } from '@/store/hooks';
import { View } from 'react-native';
import { SUM_GROUPS } from '@/core/sums';
import { UNITS } from './ConverterScreen';
import { to } from '@/frame/addresses';
import { Field } from '@/ui/Field';
import { Row, SectionHead } from '@/ui/Row';
import { Opening, Screen } from '@/ui/Screen';
import { Words } from '@/ui/Words';

/** Every sum, by what one is at, to be searched. */
export function CalculatorsScreen() {
  const router = useRouter();
  const [sought, setSought] = useTyped('calculators/sought');
  const needle = sought.trim().toLowerCase();
  const all = [...SUM_GROUPS, { title: 'Units', sums: [UNITS] }];
  const groups = all
    .map(({ title, sums }) => ({
      title,
      sums: sums.filter((sum) =>
        `${title} ${sum.title} ${sum.asks} ${sum.id}`.toLowerCase().includes(needle),
      ),
    }))
    .filter(({ sums }) => sums.length > 0);
  return (
    <Screen>
      <Opening title="What do you want to know?">
        Each sum knows your tank’s own figures, and shows its working.
      </Opening>
      <Field label="Find a sum" value={sought} onChange={setSought} />
      {groups.map(({ title, sums }) => (
        <View key={title}>
          <SectionHead title={title} />
          {sums.map((sum) => (
            <Row
              key={sum.id}
              title={sum.title}
              note={sum.asks}
              onPress={() => router.push(to.sum(sum.id))}
            />
          ))}
        </View>
      ))}
      {groups.length === 0 ? <Words as="body">{`No sum speaks of "${sought}".`}</Words> : null}
    </Screen>
  );
}
