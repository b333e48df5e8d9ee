import { useRouter } from 'expo-router';
import { Image, StyleSheet, View } from 'react-native';
import { shallowEqual } from 'react-redux';
import { rosterOf, type Cohort } from '@/core/livestock/roster/roster';
import { animalsCalled } from '@/core/records/kinds/animals';
import { countOf } from '@/core/units/format';
import { to } from '@/frame/addresses';
import { useAppSelector } from '@/store/hooks';
import { selectTanks } from '@/store/selectors';
import { selectHistoryOf } from '@/store/world';
import { Button } from '@/ui/Press';
import { Tap } from '@/ui/press/Tap';
import { Opening, Screen } from '@/ui/Screen';
import { color, radius, space } from '@/ui/tokens';
import { Words } from '@/ui/Words';
import { PhotosPart } from './PhotosPart';
import { usePhoto } from './usePhoto';

const styles = StyleSheet.create({
  grid: { flexDirection: 'row', flexWrap: 'wrap', gap: space.m },
  card: { flexBasis: 150, flexGrow: 1, maxWidth: 240, gap: space.xs },
  picture: {
    width: '100%',
    aspectRatio: 4 / 3,
    borderRadius: radius.soft,
    backgroundColor: color.shoal1,
  },
});

type Pictured = Cohort & { photo: string };

/** The photos of animals, tank by tank, and what is kept of them. */
export function PhotosScreen() {
  const router = useRouter();
  const histories = useAppSelector(
    (state) => selectTanks(state).flatMap(({ id }) => selectHistoryOf(state, id) ?? []),
    shallowEqual,
  );
  const tanks = histories.flatMap((history) => {
    const pictured = rosterOf(history).filter((one): one is Pictured => one.photo !== undefined);
    return pictured.length > 0 ? [{ id: history.tankId, name: history.tank.name, pictured }] : [];
  });
  const count = tanks.reduce((sum, { pictured }) => sum + pictured.length, 0);
  return (
    <Screen>
      <Opening title={count === 0 ? 'No photo yet.' : `${countOf(count, 'photo')}.`}>
        {count === 0
          ? 'An animal has its photo on its page: a fish that is told by its markings is known again after a disease, or when it is sold.'
          : 'Each on the page of its animal. They lie in this browser alone, and leave it as a file of their own.'}
      </Opening>
      {count === 0 ? <Button label="Who lives here" onPress={() => router.push(to.stock)} /> : null}
      {tanks.map(({ id, name, pictured }) => (
        <View key={id} style={{ gap: space.s }}>
          <Words as="section">{name}</Words>
          <View style={styles.grid}>
            {pictured.map((one) => (
              <Tap
                key={one.id}
                style={styles.card}
                role="button"
                aria-label={`${animalsCalled(one.what, one.here ?? undefined)}, ${name}`}
                onPress={() => router.push(to.cohort(one.id))}
              >
                <Picture id={one.photo} />
                <Words as="strong">{animalsCalled(one.what, one.here ?? undefined)}</Words>
              </Tap>
            ))}
          </View>
        </View>
      ))}
      <PhotosPart imported={count} />
    </Screen>
  );
}

/** A photo at the size of a card; a plain ground while it is looked for, or where it is not here. */
function Picture({ id }: { id: string }) {
  const text = usePhoto(id);
  if (text === 'missing') return <Words as="soft">Its photo is not in this browser.</Words>;
  if (text === null) return <View style={styles.picture} />;
  return <Image source={{ uri: text }} style={styles.picture} aria-hidden />;
}
