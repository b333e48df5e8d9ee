import { ReadMore } from '@/frame/ReadMore';
import { useRouter } from 'expo-router';
import { StyleSheet, View } from 'react-native';
import { Timeline } from '@/ui/Drawing';
import { Button, LinkButton } from '@/ui/Press';
import { Screen } from '@/ui/Screen';
import { space } from '@/ui/tokens';
import { Words } from '@/ui/Words';

const styles = StyleSheet.create({
  page: { gap: space.l, paddingTop: space.xxl, maxWidth: 560 },
});

const DAY = 86_400_000;
/** An empty timeline, to show what will be drawn: the marks of any cycle, with no dates yet. */
const MARKS = [
  { id: 'filled', label: 'Filled', at: 0, passed: true },
  { id: 'ammonia', label: 'Ammonia clear', at: 12 * DAY, passed: false },
  { id: 'nitrite', label: 'Nitrite clear', at: 26 * DAY, passed: false },
  { id: 'fish', label: 'First fish', at: 36 * DAY, passed: false },
].map((mark) => ({ ...mark, date: '' }));

/** The first screen: one's own tank, or the demo's. */
export function WelcomeScreen() {
  const router = useRouter();
  return (
    <Screen>
      <View style={styles.page}>
        <Words as="aside">Zoarium</Words>
        <Words as="title">From filled glass to a stocked reef.</Words>
        <Words as="lead">
          Log a test at the speed of the vial, see what it means, and be told whether the cycle is
          done, and why not.
        </Words>
        <Timeline
          bare
          marks={MARKS}
          ticks={[]}
          now={3 * DAY}
          nowLabel="now"
          summary="An empty timeline, from filling to the first fish."
        />
        <Button kind="primary" label="Set up my tank" onPress={() => router.push('/tanks/new')} />
        <Button label="Open the demo" onPress={() => router.push('/demo')} />
        <Button label="Practise on a made-up tank" onPress={() => router.push('/practice')} />
        <Words as="soft">
          The demo is invented and kept apart from your own log. Everything stays in this browser;
          nothing is sent anywhere.
        </Words>
        <ReadMore page="first" />
        <LinkButton label="I have an exported log" onPress={() => router.push('/data')} />
      </View>
    </Screen>
  );
}
