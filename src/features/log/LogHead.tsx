import { StyleSheet, View } from 'react-native';
import X from 'lucide-react-native/icons/x';
import type { ReactNode } from 'react';
import { Bare } from '@/ui/Press';
import { color, space } from '@/ui/tokens';
import { Words } from '@/ui/Words';
import { useLeave } from '@/frame/useLeave';
import { KindTabs } from './KindTabs';

const styles = StyleSheet.create({
  head: { flexDirection: 'row', alignItems: 'center', gap: space.xs, marginLeft: -14 },
  title: { flex: 1, flexDirection: 'row', gap: 6, minWidth: 0 },
  under: { flexDirection: 'row', flexWrap: 'wrap', alignItems: 'center', columnGap: space.m },
  tabs: { flexGrow: 1, flexShrink: 1, minWidth: 0 },
});

/** The head of an entry, in one line: what is entered, and for which tank. */
export function LogHead({ title, tankName }: { title: string; tankName: string }) {
  const leave = useLeave();
  return (
    <View style={styles.head}>
      <Bare label="Close" onPress={leave}>
        <X size={22} color={color.ink} />
      </Bare>
      <View style={styles.title}>
        <Words as="strong" lines={1} style={{ flexShrink: 1 }}>
          {title}
        </Words>
        <Words as="body" lines={1} style={{ color: color.inkSoft, flexShrink: 1e6 }}>
          {tankName}
        </Words>
      </View>
    </View>
  );
}

/** Under the head, over the whole width: when it was, and the other kinds one tap away. */
export function LogUnder({ when, editing = false }: { when: ReactNode; editing?: boolean }) {
  return (
    <View style={styles.under}>
      {editing ? null : (
        <View style={styles.tabs}>
          <KindTabs />
        </View>
      )}
      {when}
    </View>
  );
}
