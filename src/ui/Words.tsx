import { Fragment, type ReactNode } from 'react';
import { StyleSheet, Text, type StyleProp, type TextStyle } from 'react-native';
import { color, font } from './tokens';

const styles = StyleSheet.create({
  title: {
    fontFamily: font.serif,
    fontStyle: 'italic',
    fontWeight: '600',
    fontSize: 30,
    lineHeight: 36,
  },
  section: {
    fontFamily: font.serif,
    fontStyle: 'italic',
    fontWeight: '400',
    fontSize: 21,
    lineHeight: 28,
  },
  lead: { fontSize: 16.5, lineHeight: 23 },
  body: { fontSize: 15, lineHeight: 21 },
  strong: { fontSize: 15, lineHeight: 21, fontWeight: '600' },
  soft: { fontSize: 13.5, lineHeight: 19, color: color.inkSoft },
  small: { fontSize: 12.5, lineHeight: 17, color: color.inkSoft },
  figure: { fontFamily: font.serif, fontStyle: 'italic', fontSize: 24, lineHeight: 30 },
  aside: {
    fontFamily: font.serif,
    fontStyle: 'italic',
    fontSize: 13.5,
    lineHeight: 18,
    color: color.inkSoft,
  },
  base: { fontFamily: font.sans, color: color.ink, fontVariant: ['tabular-nums'] },
  bold: { fontWeight: '600', color: color.ink },
});

export type WordsStyle =
  | 'title'
  | 'section'
  | 'lead'
  | 'body'
  | 'strong'
  | 'soft'
  | 'small'
  | 'figure'
  | 'aside';

const LEVEL: Partial<Record<WordsStyle, number>> = { title: 1, section: 2 };

/**
 * All text. Titles and sections are headings to a screen reader; text between double asterisks is
 * set strong.
 */
export function Words({
  as = 'body',
  style,
  children,
  lines,
  id,
  live,
}: {
  as?: WordsStyle;
  style?: StyleProp<TextStyle>;
  children: ReactNode;
  lines?: number;
  id?: string;
  live?: boolean;
}) {
  const level = LEVEL[as];
  return (
    <Text
      nativeID={id}
      numberOfLines={lines}
      style={[styles.base, styles[as], style]}
      {...(level ? { role: 'heading' as const, 'aria-level': level } : {})}
      {...(live ? { 'aria-live': 'polite' as const } : {})}
    >
      {typeof children === 'string' ? strongParts(children) : children}
    </Text>
  );
}

function strongParts(text: string): ReactNode {
  if (!text.includes('**')) return text;
  return text
    .split('**')
    .map((part, index) => (
      <Fragment key={index}>
        {index % 2 === 1 ? <Text style={styles.bold}>{part}</Text> : part}
      </Fragment>
    ));
}

/** A figure in the hand of the chart, with its unit small beside it. */
export function Figure({
  value,
  unit,
  size = 24,
  centred = false,
}: {
  value: string;
  unit?: string;
  size?: number;
  centred?: boolean;
}) {
  return (
    <Words
      as="figure"
      style={[{ fontSize: size, lineHeight: size * 1.25 }, centred && { textAlign: 'center' }]}
    >
      {value}
      {unit ? <Text style={figureUnit}> {unit}</Text> : null}
    </Words>
  );
}

const figureUnit: TextStyle = { fontSize: 13.5, color: color.inkSoft };
