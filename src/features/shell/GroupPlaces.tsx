import { useEffect, useRef } from 'react';
import { ScrollView, StyleSheet, View } from 'react-native';
import { TapLink } from '@/ui/press/TapLink';
import { color, touch } from '@/ui/tokens';
import { Words } from '@/ui/Words';
import { scrollToTop } from './kept';
import { GROUPED, stepTo, type GroupId } from './places';

const styles = StyleSheet.create({
  strip: {
    flexGrow: 0,
    flexShrink: 0,
    borderTopWidth: 1,
    borderColor: color.rule,
    backgroundColor: color.paper,
  },
  row: { paddingHorizontal: 10 },
  place: { minHeight: touch, paddingHorizontal: 10, justifyContent: 'center' },
  name: { color: color.inkSoft, borderBottomWidth: 2, borderColor: 'transparent' },
  here: { color: color.ink, fontWeight: '700', borderColor: color.ink },
});

/** The places of one group, side by side above the foot of a phone; nothing for a group of one. */
export function GroupPlaces({ path, group }: { path: string; group: GroupId }) {
  const places = GROUPED.find(({ id }) => id === group)?.places ?? [];
  const strip = useRef<ScrollView>(null);
  useEffect(() => {
    const node = strip.current as unknown as HTMLElement | null;
    node?.querySelector('[aria-current]')?.scrollIntoView({ block: 'nearest', inline: 'center' });
  }, [path]);
  if (places.length < 2) return null;
  return (
    <ScrollView
      ref={strip}
      horizontal
      showsHorizontalScrollIndicator={false}
      style={styles.strip}
      contentContainerStyle={styles.row}
      tabIndex={-1}
    >
      {places.map(({ path: to, label }) => {
        const here = to === path;
        return (
          <TapLink
            key={to}
            href={to}
            {...stepTo(path, to)}
            {...(here ? { 'aria-current': 'page' } : {})}
            onPress={here ? scrollToTop : undefined}
            style={{ textDecorationLine: 'none', display: 'flex' } as object}
          >
            <View style={styles.place}>
              <Words as="body" lines={1} style={[styles.name, here && styles.here]}>
                {label}
              </Words>
            </View>
          </TapLink>
        );
      })}
    </ScrollView>
  );
}
