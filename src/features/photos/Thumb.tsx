import type { ReactElement } from 'react';
import { Image, StyleSheet } from 'react-native';
import { radius } from '@/ui/tokens';
import { usePhoto } from './usePhoto';

const styles = StyleSheet.create({
  thumb: { width: 40, height: 40, borderRadius: radius.soft },
});

/** A photo in a row; what stands in for it where it is not here. */
export function Thumb({ id, instead }: { id: string; instead: ReactElement }) {
  const text = usePhoto(id);
  if (text === null || text === 'missing') return instead;
  // The row names who it is: read out twice it would only be in the way.
  return <Image source={{ uri: text }} style={styles.thumb} aria-hidden />;
}
