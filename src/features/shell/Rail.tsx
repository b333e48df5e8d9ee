import { useRouter } from 'expo-router';
import { TapLink } from '@/ui/press/TapLink';
import { ScrollView, StyleSheet, View } from 'react-native';
import { color, radius, space, touch } from '@/ui/tokens';
import { Words } from '@/ui/Words';
import { scrollToTop } from './kept';
import { BAR, MORE, placeOf, stepTo } from './places';
import { Tap } from '@/ui/press/Tap';

const styles = StyleSheet.create({
  rail: {
    width: 172,
    backgroundColor: color.raised,
    borderRightWidth: 1,
    borderColor: color.rule,
    paddingVertical: space.xl,
  },
  name: { paddingHorizontal: 22, marginBottom: space.m, fontSize: 23 },
  place: {
    paddingLeft: 22,
    height: 38,
    justifyContent: 'center',
    borderLeftWidth: 2,
    borderColor: 'transparent',
  },
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

/** Every place, where it is wide enough to show them. */
export function Rail({ path, canLog }: { path: string; canLog: boolean }) {
  const router = useRouter();
  const current = placeOf(path);
  const places = [...BAR.filter((place) => place.path !== '/more'), ...MORE];
  return (
    <View id="rail" style={styles.rail}>
      <Words as="section" style={styles.name}>
        Zoarium
      </Words>
      <ScrollView role="navigation" aria-label="Places" tabIndex={-1}>
        {places.map(({ path: to, label }) => {
          const here = to === current;
          return (
            <TapLink
              key={to}
              href={to}
              {...stepTo(path, to)}
              {...(here ? { 'aria-current': 'page' } : {})}
              onPress={path === to ? scrollToTop : undefined}
              style={{ textDecorationLine: 'none', display: 'flex' } as object}
            >
              <View style={[styles.place, here && styles.here, { width: 170 }]}>
                <Words as="body" style={here ? { fontWeight: '700' } : { color: color.inkSoft }}>
                  {label}
                </Words>
              </View>
            </TapLink>
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
