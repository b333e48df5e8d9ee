import { usePathname, useRouter } from 'expo-router';
import { Pressable, StyleSheet, View } from 'react-native';
import X from 'lucide-react-native/icons/x';
import type { ReactNode } from 'react';
import { Bare } from '@/ui/Press';
import { color, space, touch } from '@/ui/tokens';
import { Words } from '@/ui/Words';
import { useLeave } from '@/shared/useLeave';

const styles = StyleSheet.create({
  head: {
    flexDirection: 'row',
    alignItems: 'center',
    gap: space.xs,
    marginLeft: -14,
    flexWrap: 'wrap',
  },
  title: { flex: 1, flexDirection: 'row', gap: 6, minWidth: 120 },
  kinds: {
    flexDirection: 'row',
    flexWrap: 'wrap',
    columnGap: 18,
    borderBottomWidth: 1,
    borderColor: color.rule,
  },
  kind: {
    minHeight: touch - 4,
    justifyContent: 'center',
    borderBottomWidth: 2,
    borderColor: 'transparent',
  },
  here: { borderColor: color.ink },
});

const KINDS = [
  { path: '/log/test', label: 'Test' },
  { path: '/log/dose', label: 'Dose' },
  { path: '/log/water-change', label: 'Water change' },
  { path: '/log/happening', label: 'Happening' },
  { path: '/log/note', label: 'Note' },
] as const;

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
  const path = usePathname();
  const router = useRouter();
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
      {editing ? null : (
        <View role="navigation" aria-label="Kinds of entry" style={styles.kinds}>
          {KINDS.map((kind) => {
            const here = path === kind.path;
            return (
              <Pressable
                key={kind.path}
                role="link"
                {...(here ? { 'aria-current': 'page' as never } : {})}
                onPress={() => router.replace(kind.path)}
                style={[styles.kind, here && styles.here]}
              >
                <Words as="body" style={here ? { fontWeight: '600' } : { color: color.inkSoft }}>
                  {kind.label}
                </Words>
              </Pressable>
            );
          })}
        </View>
      )}
    </View>
  );
}
