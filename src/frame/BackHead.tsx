import { StyleSheet, View } from 'react-native';
import ArrowLeft from 'lucide-react-native/icons/arrow-left';
import { Bare } from '@/ui/Press';
import { color, space } from '@/ui/tokens';
import { Words } from '@/ui/Words';
import { useLeave } from './useLeave';

const styles = StyleSheet.create({
  head: { flexDirection: 'row', alignItems: 'center', gap: space.xs, marginLeft: -14 },
});

/** The head of a screen within a place: its name, its tank, and the way back. */
export function BackHead({ title, aside }: { title: string; aside?: string }) {
  const leave = useLeave();
  return (
    <View style={styles.head}>
      <Bare label="Back" onPress={leave}>
        <ArrowLeft size={22} color={color.ink} />
      </Bare>
      <Words as="strong" lines={1} style={{ flexShrink: 1 }}>
        {title}
      </Words>
      {aside ? (
        // Where both have no room, whose it is gives way to what it is.
        <Words as="body" lines={1} style={{ color: color.inkSoft, flexShrink: 1e6 }}>
          {aside}
        </Words>
      ) : null}
    </View>
  );
}
