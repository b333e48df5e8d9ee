import { useRouter } from 'expo-router';
import { ScrollView, StyleSheet, View } from 'react-native';
import Search from 'lucide-react-native/icons/search';
import { to } from '@/frame/addresses';
import { Tap } from '@/ui/press/Tap';
import { TapLink } from '@/ui/press/TapLink';
import { color, radius, space, touch } from '@/ui/tokens';
import { Words } from '@/ui/Words';
import { scrollToTop } from './kept';
import { GROUPED, placeOf, stepTo } from './places';
import { SosButton } from './SosButton';

const WIDTH = 192;

const styles = StyleSheet.create({
  rail: {
    width: WIDTH,
    backgroundColor: color.raised,
    borderRightWidth: 1,
    borderColor: color.rule,
    paddingVertical: space.m,
  },
  head: {
    flexDirection: 'row',
    alignItems: 'center',
    justifyContent: 'space-between',
    paddingLeft: 22,
    paddingRight: 14,
    marginBottom: space.xs,
  },
  name: { fontSize: 23 },
  line: {
    width: WIDTH - 2,
    height: 38,
    paddingLeft: 20,
    justifyContent: 'center',
    borderLeftWidth: 2,
    borderColor: 'transparent',
  },
  search: {
    flexDirection: 'row',
    alignItems: 'center',
    gap: space.s,
    height: 38,
    marginHorizontal: 14,
    marginBottom: space.s,
    paddingHorizontal: space.s,
    borderWidth: 1,
    borderColor: color.edge,
    borderRadius: radius.soft,
  },
  within: { height: 32, paddingLeft: 34 },
  here: { borderColor: color.ink },
  log: {
    margin: 14,
    marginBottom: 0,
    minHeight: touch,
    borderRadius: radius.round,
    backgroundColor: color.ink,
    alignItems: 'center',
    justifyContent: 'center',
    flexDirection: 'row',
    gap: 10,
  },
});

/** The groups, and the places of the one that one is in, where it is wide enough to show them. */
export function Rail({ path, canLog }: { path: string; canLog: boolean }) {
  const router = useRouter();
  const current = placeOf(path);
  return (
    <View id="rail" style={styles.rail}>
      <View style={styles.head}>
        <Words as="section" style={styles.name}>
          Zoarium
        </Words>
        <SosButton />
      </View>
      <Tap
        role="button"
        aria-label="Search"
        onPress={() => router.push(to.search)}
        style={styles.search}
      >
        <Search size={16} color={color.inkSoft} />
        <Words as="body" style={{ color: color.inkSoft, flex: 1 }}>
          Search
        </Words>
        <Words as="soft">/</Words>
      </Tap>
      <ScrollView role="navigation" aria-label="Places" tabIndex={-1}>
        {GROUPED.map(({ id, label, path: first, places }) => {
          const open = current?.group === id;
          const alone = places.length === 1;
          return (
            <View key={id}>
              <Line to={first} label={label} from={path} bold={open} here={open && alone} />
              {open && !alone
                ? places.map((place) => (
                    <Line
                      key={place.path}
                      to={place.path}
                      label={place.label}
                      from={path}
                      within
                      bold={place === current}
                      here={place === current}
                    />
                  ))
                : null}
            </View>
          );
        })}
      </ScrollView>
      {canLog ? (
        <Tap
          role="button"
          aria-label="Log"
          onPress={() => router.push('/log/test')}
          style={styles.log}
        >
          <Words as="strong" style={{ color: color.paper }}>
            Log
          </Words>
          <Words as="soft" style={{ color: color.paper, opacity: 0.75 }}>
            L
          </Words>
        </Tap>
      ) : null}
    </View>
  );
}

function Line({
  to: place,
  label,
  from,
  bold,
  here,
  within = false,
}: {
  to: string;
  label: string;
  from: string;
  bold: boolean;
  here: boolean;
  within?: boolean;
}) {
  return (
    <TapLink
      href={place}
      {...stepTo(from, place)}
      {...(here ? { 'aria-current': 'page' } : {})}
      onPress={from === place ? scrollToTop : undefined}
      style={{ textDecorationLine: 'none', display: 'flex' } as object}
    >
      <View style={[styles.line, within && styles.within, here && styles.here]}>
        <Words as="body" lines={1} style={bold ? { fontWeight: '700' } : { color: color.inkSoft }}>
          {label}
        </Words>
      </View>
    </TapLink>
  );
}
