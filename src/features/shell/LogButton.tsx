import { useRouter } from 'expo-router';
import { StyleSheet } from 'react-native';
import Plus from 'lucide-react-native/icons/plus';
import { color, radius } from '@/ui/tokens';
import { Words } from '@/ui/Words';
import { Tap } from '@/ui/press/Tap';

const styles = StyleSheet.create({
  log: {
    position: 'absolute',
    right: 16,
    bottom: 80,
    minHeight: 52,
    paddingHorizontal: 22,
    borderRadius: radius.round,
    backgroundColor: color.ink,
    flexDirection: 'row',
    alignItems: 'center',
    gap: 10,
  },
});

/** The one raised action: it opens the test sheet, whose first value is the next tap. */
export function LogButton() {
  const router = useRouter();
  return (
    <Tap role="button" aria-label="Log" onPress={() => router.push('/log/test')} style={styles.log}>
      <Plus size={20} color={color.paper} />
      <Words as="strong" style={{ color: color.paper, fontSize: 16 }}>
        Log
      </Words>
    </Tap>
  );
}
