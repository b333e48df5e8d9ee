import { createContext, useContext, useRef, type ReactNode, type RefObject } from 'react';
import { ScrollView, StyleSheet, View } from 'react-native';
import { color, screenEnd, space } from './tokens';
import { useWide } from './useWide';
import { Words } from './Words';

const styles = StyleSheet.create({
  page: { paddingHorizontal: 20, paddingTop: space.s, paddingBottom: screenEnd, gap: space.m },
  pageWide: { paddingHorizontal: 28, paddingTop: space.l, maxWidth: 860 },
  columns: { flex: 1, flexDirection: 'row' },
  main: { flex: 1, minWidth: 0 },
  head: { flexDirection: 'row', alignItems: 'center', gap: space.s },
  aside: { width: 350, flexGrow: 0, flexShrink: 0, borderLeftWidth: 1, borderColor: color.rule },
  asidePage: { paddingHorizontal: 22, paddingTop: space.l, paddingBottom: space.xxl, gap: space.m },
});

/** What stands at the end of every screen's head; none where the rail has it. */
export const HeadEnd = createContext<ReactNode>(null);

/** What stands quietly at the end of every screen's content. */
export const ScreenEnd = createContext<ReactNode>(null);

/** What a long list within a screen scrolls with. */
export const ScreenScroll = createContext<RefObject<ScrollView | null> | null>(null);

/**
 * A screen: its head, its content, and evidence that stands beside it where there is room and below
 * it where there is not.
 */
export function Screen({
  head,
  under,
  children,
  aside,
  footer,
}: {
  head?: ReactNode;
  /** What belongs to the head and has no room beside its end: over the whole width. */
  under?: ReactNode;
  children: ReactNode;
  aside?: ReactNode;
  footer?: ReactNode;
}) {
  const wide = useWide();
  const scroll = useRef<ScrollView>(null);
  const end = useContext(HeadEnd);
  const last = useContext(ScreenEnd);
  if (!wide) {
    return (
      <View style={styles.main}>
        <ScrollView
          ref={scroll}
          contentContainerStyle={styles.page}
          keyboardShouldPersistTaps="handled"
          tabIndex={-1}
        >
          <ScreenScroll value={scroll}>
            {end ? (
              <View style={styles.head}>
                <View style={styles.main}>{head}</View>
                {end}
              </View>
            ) : (
              head
            )}
            {under}
            {children}
            {aside}
            {last}
          </ScreenScroll>
        </ScrollView>
        {footer}
      </View>
    );
  }
  return (
    <View style={styles.columns}>
      <View style={styles.main}>
        <ScrollView
          ref={scroll}
          contentContainerStyle={[styles.page, styles.pageWide]}
          tabIndex={-1}
        >
          <ScreenScroll value={scroll}>
            {head}
            {under}
            {children}
            {last}
          </ScreenScroll>
        </ScrollView>
        {footer}
      </View>
      {aside ? (
        <ScrollView style={styles.aside} contentContainerStyle={styles.asidePage} tabIndex={-1}>
          {aside}
        </ScrollView>
      ) : null}
    </View>
  );
}

/** The first thing a screen says: its title, then the evidence in a sentence. */
export function Opening({ title, children }: { title: string; children?: string }) {
  return (
    <View style={{ gap: space.xs, paddingVertical: space.xs }}>
      <Words as="title">{title}</Words>
      {children ? <Words as="lead">{children}</Words> : null}
    </View>
  );
}
