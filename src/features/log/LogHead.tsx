import { StyleSheet, View } from 'react-native';
import X from 'lucide-react-native/icons/x';
import type { ReactNode } from 'react';
import { Bare } from '@/ui/Press';
import { color, space } from '@/ui/tokens';
import { Words } from '@/ui/Words';
import { useLeave } from '@/frame/useLeave';
import { KindTabs } from './KindTabs';

const styles = StyleSheet.create({
  head: {
    flexDirection: 'row',
    alignItems: 'center',
    gap: space.xs,
    marginLeft: -14,
    flexWrap: 'wrap',
  },
  title: { flex: 1, flexDirection: 'row', gap: 6, minWidth: 120 },
});

/** The head of an entry: what is entered, for which tank, when; and the other kinds one tap away. */
export function LogHead({
  title,
  tankName,
  when,
  editing = false,
}: {
  title: string;
  tankName: string;
  when: ReactNode;
  editing?: boolean;
}) {
  const leave = useLeave();
  return (
    <View>
      <View style={styles.head}>
        <Bare label="Close" onPress={leave}>
          <X size={22} color={color.ink} />
        </Bare>
        <View style={styles.title}>
          <Words as="strong" style={{ flexShrink: 0 }}>
            {title}
          </Words>
          <Words as="body" lines={1} style={{ color: color.inkSoft, flexShrink: 1 }}>
            {tankName}
          </Words>
        </View>
        {when}
      </View>
      {editing ? null : <KindTabs />}
    </View>
  );
}
