import type { ReactNode } from 'react';
import { StyleSheet, View } from 'react-native';
import { color, space } from './tokens';
import { useWide } from './useWide';

const styles = StyleSheet.create({
  footer: { borderTopWidth: 1, borderColor: color.rule, backgroundColor: color.raised },
  row: {
    flexDirection: 'row',
    gap: space.m,
    paddingHorizontal: 20,
    paddingVertical: space.m,
  },
  // As wide as what it ends.
  wide: { paddingHorizontal: 28, maxWidth: 860 },
});

/** The buttons that end a form, always in sight at its foot. */
export function Footer({ children }: { children: ReactNode }) {
  const wide = useWide();
  return (
    <View style={styles.footer}>
      <View style={[styles.row, wide && styles.wide]}>{children}</View>
    </View>
  );
}
