import type { ReactNode } from 'react';
import {
  StyleSheet,
  View,
  type AccessibilityRole,
  type StyleProp,
  type ViewStyle,
} from 'react-native';
import { color, radius, space, touch } from './tokens';
import { Words } from './Words';
import { Tap } from './press/Tap';

const styles = StyleSheet.create({
  button: {
    minHeight: touch + 4,
    borderRadius: radius.round,
    paddingHorizontal: space.xl,
    paddingVertical: space.s,
    alignItems: 'center',
    justifyContent: 'center',
    borderWidth: 1,
    borderColor: color.edge,
    backgroundColor: color.raised,
  },
  primary: { backgroundColor: color.ink, borderColor: color.ink },
  danger: { borderColor: color.danger },
  label: { fontSize: 15.5, fontWeight: '600', textAlign: 'center' },
  onInk: { color: color.paper },
  dangerLabel: { color: color.danger },
  off: { opacity: 0.5 },
  link: { minHeight: touch, justifyContent: 'center', alignSelf: 'flex-start' },
  linkText: {
    fontSize: 15,
    textDecorationLine: 'underline',
  },
  bare: { minHeight: touch, minWidth: touch, alignItems: 'center', justifyContent: 'center' },
});

interface ButtonProps {
  label: string;
  onPress: () => void;
  kind?: 'primary' | 'plain' | 'danger';
  disabled?: boolean;
  style?: StyleProp<ViewStyle>;
}

/** A round-ended button; the primary one is filled with ink. */
export function Button({ label, onPress, kind = 'plain', disabled = false, style }: ButtonProps) {
  return (
    <Tap
      role="button"
      disabled={disabled}
      onPress={onPress}
      style={[
        styles.button,
        kind === 'primary' && styles.primary,
        kind === 'danger' && styles.danger,
        disabled && styles.off,
        style,
      ]}
    >
      <Words
        as="strong"
        style={[
          styles.label,
          kind === 'primary' && styles.onInk,
          kind === 'danger' && styles.dangerLabel,
        ]}
      >
        {label}
      </Words>
    </Tap>
  );
}

/** Underlined words that do something, tall enough for a thumb. */
export function LinkButton({
  label,
  onPress,
  soft = false,
  accessibleName,
}: {
  label: string;
  onPress: () => void;
  soft?: boolean;
  accessibleName?: string;
}) {
  return (
    <Tap role="button" onPress={onPress} style={styles.link} aria-label={accessibleName}>
      <Words as={soft ? 'soft' : 'body'} style={[styles.linkText, soft && { fontSize: 14 }]}>
        {label}
      </Words>
    </Tap>
  );
}

/** Anything that can be pressed and is not a button by its look. */
export function Bare({
  label,
  onPress,
  children,
  style,
  role = 'button',
}: {
  label: string;
  onPress: () => void;
  children: ReactNode;
  style?: StyleProp<ViewStyle>;
  role?: 'button' | 'link';
}) {
  return (
    <Tap
      role={role as AccessibilityRole as 'button'}
      aria-label={label}
      onPress={onPress}
      style={[styles.bare, style]}
    >
      {children}
    </Tap>
  );
}

/** Buttons side by side that share the width. */
export function ButtonRow({ children }: { children: ReactNode }) {
  return <View style={{ flexDirection: 'row', gap: space.m, flexWrap: 'wrap' }}>{children}</View>;
}
