import { usePathname, useRouter } from 'expo-router';
import { useEffect, useRef, useState } from 'react';
import { ScrollView, StyleSheet, View } from 'react-native';
import { useLogKinds } from './logKinds';
import { to } from '@/frame/addresses';
import { Row } from '@/ui/Row';
import { Sheet } from '@/ui/Sheet';
import { color, touch } from '@/ui/tokens';
import { Words } from '@/ui/Words';
import { Tap } from '@/ui/press/Tap';

const styles = StyleSheet.create({
  kinds: {
    flexDirection: 'row',
    columnGap: 16,
    borderBottomWidth: 1,
    borderColor: color.rule,
  },
  // Slides where they have no room; More stays where it is.
  strip: { flexGrow: 1, flexShrink: 1, minWidth: 0 },
  line: { flexDirection: 'row', columnGap: 16 },
  kind: {
    minHeight: touch - 4,
    justifyContent: 'center',
    borderBottomWidth: 2,
    borderColor: 'transparent',
  },
  here: { borderColor: color.ink },
});

/** Tabs of kinds logged often that stay when another kind is open: with it they fill one line. */
const ROOM = 3;

/** The kinds that are logged often one tap away, and every other in a sheet. */
export function KindTabs() {
  const path = usePathname();
  const router = useRouter();
  const [open, setOpen] = useState(false);
  const kinds = useLogKinds();
  const current = kinds.find((kind) => path === to.log(kind.path));
  const often = kinds.filter((kind) => kind.often);
  const tabs = !current || often.includes(current) ? often : [...often.slice(0, ROOM), current];
  const strip = useRef<ScrollView>(null);
  useEffect(() => {
    const node = strip.current as unknown as HTMLElement | null;
    // A test has no layout to scroll in.
    node?.querySelector('[aria-current]')?.scrollIntoView?.({ block: 'nearest', inline: 'center' });
  }, [path]);
  const go = (address: string) => router.replace(to.log(address));
  return (
    <View role="navigation" aria-label="Kinds of entry" style={styles.kinds}>
      <ScrollView
        ref={strip}
        horizontal
        style={styles.strip}
        showsHorizontalScrollIndicator={false}
        contentContainerStyle={styles.line}
        tabIndex={-1}
      >
        {tabs.map((kind) => {
          const here = kind === current;
          return (
            <Tap
              key={kind.path}
              role="link"
              {...(here ? { 'aria-current': 'page' as never } : {})}
              onPress={() => go(kind.path)}
              style={[styles.kind, here && styles.here]}
            >
              <Words as="body" style={here ? { fontWeight: '600' } : { color: color.inkSoft }}>
                {kind.label}
              </Words>
            </Tap>
          );
        })}
      </ScrollView>
      <Tap
        role="button"
        aria-label="More kinds of entry"
        onPress={() => setOpen(true)}
        style={styles.kind}
      >
        <Words as="body" style={{ color: color.inkSoft }}>
          More
        </Words>
      </Tap>
      <Sheet title="Log" open={open} onClose={() => setOpen(false)}>
        <View>
          {kinds.map((kind) => (
            <Row
              key={kind.path}
              title={kind.label}
              note={kind.hint}
              current={kind === current}
              onPress={() => {
                setOpen(false);
                go(kind.path);
              }}
            />
          ))}
        </View>
      </Sheet>
    </View>
  );
}
