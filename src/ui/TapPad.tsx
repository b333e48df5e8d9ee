import type { ReactNode } from 'react';
import { StyleSheet } from 'react-native';
import { color, radius, space } from './tokens';
import { Tap } from './press/Tap';

const styles = StyleSheet.create({
  pad: {
    minHeight: 112,
    borderWidth: 1.5,
    borderColor: color.ink,
    borderRadius: radius.soft,
    backgroundColor: color.raised,
    alignItems: 'center',
    justifyContent: 'center',
    padding: space.m,
    userSelect: 'none',
    touchAction: 'manipulation',
  } as object,
  tall: { minHeight: 168 },
  done: { backgroundColor: color.shoal1 },
});

/** A field that is hit again and again while the eyes are elsewhere: on drops, or on a fish. */
export function TapPad({
  label,
  tall = false,
  done = false,
  onTap,
  children,
}: {
  label: string;
  tall?: boolean;
  /** Nothing is left to count. */
  done?: boolean;
  onTap: () => void;
  children: ReactNode;
}) {
  return (
    <Tap
      role="button"
      aria-label={label}
      style={[styles.pad, tall && styles.tall, done && styles.done]}
      onPress={onTap}
    >
      {children}
    </Tap>
  );
}
