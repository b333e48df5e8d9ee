import type { ReactNode } from 'react';
import { StyleSheet, View } from 'react-native';
import Octagon from 'lucide-react-native/icons/octagon-alert';
import Triangle from 'lucide-react-native/icons/triangle-alert';
import type { Tone } from '@/core/meaning/testSession';
import { color, space } from './tokens';
import { Words } from './Words';

const TONE_COLOR: Record<Tone, string> = {
  plain: color.ink,
  watch: color.watch,
  caution: color.magenta,
  danger: color.danger,
};

const TONE_WORD: Record<Tone, string | null> = {
  plain: null,
  watch: 'Watch',
  caution: 'Caution',
  danger: 'Danger',
};

const styles = StyleSheet.create({
  remark: { borderLeftWidth: 2, paddingLeft: space.m, gap: 2 },
  word: { flexDirection: 'row', alignItems: 'center', gap: 6 },
});

/** The shape that goes with a tone's colour: a triangle for caution, an octagon for danger. */
export function ToneMark({ tone, size = 16 }: { tone: Tone; size?: number }) {
  if (tone === 'danger') return <Octagon size={size} color={color.danger} />;
  if (tone === 'caution') return <Triangle size={size} color={color.magenta} />;
  if (tone === 'watch') return <Triangle size={size} color={color.watch} strokeDasharray="3 2" />;
  return null;
}

/** Something said at the side of a rule whose colour, shape and word give its weight. */
export function Remark({
  tone = 'plain',
  title,
  children,
}: {
  tone?: Tone;
  title?: string;
  children?: ReactNode;
}) {
  const word = TONE_WORD[tone];
  return (
    <View style={[styles.remark, { borderLeftColor: TONE_COLOR[tone] }]}>
      {word ? (
        <View style={styles.word}>
          <ToneMark tone={tone} />
          <Words as="strong" style={{ color: TONE_COLOR[tone] }}>
            {title ?? word}
          </Words>
        </View>
      ) : title ? (
        <Words as="strong">{title}</Words>
      ) : null}
      {typeof children === 'string' ? <Words as="body">{children}</Words> : children}
    </View>
  );
}
