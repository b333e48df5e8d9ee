import { useRouter } from 'expo-router';
import { StyleSheet, View } from 'react-native';
import Search from 'lucide-react-native/icons/search';
import { to } from '@/frame/addresses';
import { color, radius, touch } from '@/ui/tokens';
import { Words } from '@/ui/Words';
import { Tap } from '@/ui/press/Tap';

const styles = StyleSheet.create({
  target: { minWidth: touch, minHeight: touch, alignItems: 'flex-end', justifyContent: 'center' },
  both: { flexDirection: 'row', alignItems: 'center' },
  glass: { minWidth: 44, minHeight: touch, alignItems: 'center', justifyContent: 'center' },
  face: {
    borderWidth: 1.5,
    borderColor: color.danger,
    borderRadius: radius.soft,
    paddingHorizontal: 7,
    paddingVertical: 3,
  },
  word: { color: color.danger, fontWeight: '700', letterSpacing: 0.6 },
});

/** What stands at the end of every head of a phone: the way to anything, and the way to help. */
export function HeadButtons() {
  const router = useRouter();
  return (
    <View style={styles.both}>
      <Tap
        role="button"
        aria-label="Search"
        onPress={() => router.push(to.search)}
        style={styles.glass}
      >
        <Search size={20} color={color.ink} />
      </Tap>
      <SosButton />
    </View>
  );
}

/** The first of two taps to what is done in an emergency, on every screen of a phone. */
export function SosButton() {
  const router = useRouter();
  return (
    <Tap
      role="button"
      aria-label="SOS, emergencies"
      onPress={() => router.push(to.emergency)}
      style={styles.target}
    >
      <View style={styles.face}>
        <Words as="small" style={styles.word}>
          SOS
        </Words>
      </View>
    </Tap>
  );
}
