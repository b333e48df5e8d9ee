import type { ReactNode } from 'react';
import { StyleSheet, View } from 'react-native';
import ChevronRight from 'lucide-react-native/icons/chevron-right';
import { color, space, touch } from './tokens';
import { Words } from './Words';
import { Tap } from './press/Tap';

const styles = StyleSheet.create({
  row: {
    flexDirection: 'row',
    alignItems: 'center',
    gap: space.m,
    paddingVertical: space.m,
    borderBottomWidth: 1,
    borderColor: color.rule,
    minHeight: touch + 8,
  },
  middle: { flex: 1, minWidth: 0, gap: 1 },
  end: { alignItems: 'flex-end', maxWidth: '45%' },
});

interface RowProps {
  title: string;
  note?: string;
  lead?: ReactNode;
  end?: ReactNode;
  onPress?: () => void;
  /** Marks the row that the detail beside it shows. */
  current?: boolean;
  accessibleName?: string;
}

/** A line of a list: what it is, a note beneath, a figure at the end; the whole of it is the target. */
export function Row({ title, note, lead, end, onPress, current, accessibleName }: RowProps) {
  const inside = (
    <>
      {lead}
      <View style={styles.middle}>
        <Words as="strong">{title}</Words>
        {note ? <Words as="soft">{note}</Words> : null}
      </View>
      {end ? (
        <View style={styles.end}>
          {typeof end === 'string' ? <Words as="soft">{end}</Words> : end}
        </View>
      ) : null}
      {onPress && end === undefined ? <ChevronRight size={18} color={color.inkSoft} /> : null}
    </>
  );
  if (!onPress) return <View style={styles.row}>{inside}</View>;
  return (
    <Tap
      role="button"
      onPress={onPress}
      aria-label={accessibleName}
      {...(current ? { 'aria-current': true } : {})}
      style={[
        styles.row,
        current && { backgroundColor: color.shoal1, marginHorizontal: -8, paddingHorizontal: 8 },
      ]}
    >
      {inside}
    </Tap>
  );
}

/** The head of a part of a screen, with something small at its end. */
export function SectionHead({ title, end }: { title: string; end?: ReactNode }) {
  return (
    <View
      style={{
        flexDirection: 'row',
        justifyContent: 'space-between',
        alignItems: 'center',
        columnGap: space.m,
        marginTop: space.l,
        flexWrap: 'wrap',
      }}
    >
      <Words as="section">{title}</Words>
      {typeof end === 'string' ? <Words as="soft">{end}</Words> : end}
    </View>
  );
}
