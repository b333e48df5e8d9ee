import { TapLink } from '@/ui/press/TapLink';
import { StyleSheet, View } from 'react-native';
import { color } from '@/ui/tokens';
import { Words } from '@/ui/Words';
import { scrollToTop } from './kept';
import { BAR, MORE, placeOf, stepTo } from './places';

const styles = StyleSheet.create({
  bar: {
    flexDirection: 'row',
    borderTopWidth: 1,
    borderColor: color.rule,
    backgroundColor: color.raised,
  },
  place: {
    flex: 1,
    alignItems: 'center',
    paddingTop: 10,
    paddingBottom: 10,
    gap: 3,
    minHeight: 64,
  },
  label: { fontSize: 12.5, lineHeight: 16, color: color.inkSoft },
  here: { color: color.ink, fontWeight: '700' },
  mark: { height: 2, width: 28, backgroundColor: 'transparent', marginTop: 1 },
  markHere: { backgroundColor: color.ink },
});

/** The places at the foot of a phone. */
export function Bar({ path }: { path: string }) {
  const place = placeOf(path);
  const current = MORE.some((more) => more.path === place) ? '/more' : place;
  return (
    <View role="navigation" aria-label="Places" style={styles.bar}>
      {BAR.map(({ path: to, label, icon: Icon }) => {
        const here = to === current;
        return (
          <TapLink
            key={to}
            href={to}
            {...stepTo(path, to)}
            {...(here ? { 'aria-current': 'page' } : {})}
            onPress={path === to ? scrollToTop : undefined}
            style={{ flex: 1, textDecorationLine: 'none', display: 'flex' } as object}
          >
            <View style={styles.place}>
              <Icon
                size={20}
                color={here ? color.ink : color.inkSoft}
                strokeWidth={here ? 2.4 : 1.8}
              />
              <Words as="small" style={[styles.label, here && styles.here]}>
                {label}
              </Words>
              <View style={[styles.mark, here && styles.markHere]} />
            </View>
          </TapLink>
        );
      })}
    </View>
  );
}
