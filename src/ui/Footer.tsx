import type { ReactNode } from 'react';
import { StyleSheet, View } from 'react-native';
import { color, space } from './tokens';

const styles = StyleSheet.create({
  footer: {
    flexDirection: 'row',
    gap: space.m,
    paddingHorizontal: 20,
    paddingVertical: space.m,
    borderTopWidth: 1,
    borderColor: color.rule,
    backgroundColor: color.raised,
  },
});

/** The buttons that end a form, always in sight at its foot. */
export function Footer({ children }: { children: ReactNode }) {
  return <View style={styles.footer}>{children}</View>;
}
