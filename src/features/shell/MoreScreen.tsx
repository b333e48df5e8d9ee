import { StyleSheet, View } from 'react-native';
import ChevronRight from 'lucide-react-native/icons/chevron-right';
import { GROUPED, needsTank, stepTo } from './places';
import { useAppSelector } from '@/store/hooks';
import { selectTank } from '@/store/selectors';
import { TapLink } from '@/ui/press/TapLink';
import { Screen } from '@/ui/Screen';
import { color, space, touch } from '@/ui/tokens';
import { Words } from '@/ui/Words';
import { useGroupStates } from './useGroupStates';

const styles = StyleSheet.create({
  group: { gap: space.xs, paddingTop: space.s },
  places: { flexDirection: 'row', flexWrap: 'wrap', columnGap: space.l },
  place: {
    minHeight: touch,
    flexDirection: 'row',
    alignItems: 'center',
    justifyContent: 'space-between',
    gap: space.xs,
    borderBottomWidth: 1,
    borderColor: color.rule,
  },
});

/** Half of a line less half of the gap between the two. */
const HALF = { width: 'calc(50% - 8px)', textDecorationLine: 'none', display: 'flex' } as object;

/** Every place in its group, each group with what there is to say of it. */
export function MoreScreen() {
  const tank = useAppSelector(selectTank);
  const states = useGroupStates();
  return (
    <Screen>
      <Words as="title">All places</Words>
      {GROUPED.map(({ id, label, places }) => {
        const reached = places.filter(({ path }) => path !== '/' && (tank || !needsTank(path)));
        if (reached.length === 0) return null;
        return (
          <View key={id} style={styles.group}>
            <Words as="section">{label}</Words>
            {states[id] ? <Words as="soft">{states[id]}</Words> : null}
            <View style={styles.places}>
              {reached.map((place) => (
                <TapLink
                  key={place.path}
                  href={place.path}
                  {...stepTo('/more', place.path)}
                  style={HALF}
                >
                  <View style={[styles.place, { width: '100%' }]}>
                    <Words as="strong" style={{ flexShrink: 1 }}>
                      {place.label}
                    </Words>
                    <ChevronRight size={16} color={color.inkSoft} />
                  </View>
                </TapLink>
              ))}
            </View>
          </View>
        );
      })}
    </Screen>
  );
}
