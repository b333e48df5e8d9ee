import { StyleSheet, View } from 'react-native';
import Delete from 'lucide-react-native/icons/delete';
import { color, radius, space } from '@/ui/tokens';
import { Words } from '@/ui/Words';
import { Tap } from '@/ui/press/Tap';

const styles = StyleSheet.create({
  pad: {
    padding: space.s,
    gap: space.s,
    backgroundColor: color.raised,
    borderTopWidth: 1,
    borderColor: color.rule,
  },
  row: { flexDirection: 'row', gap: space.s },
  key: {
    flex: 1,
    minHeight: 52,
    alignItems: 'center',
    justifyContent: 'center',
    borderRadius: radius.soft,
    borderWidth: 1,
    borderColor: color.rule,
    backgroundColor: color.paper,
  },
  next: { backgroundColor: color.ink, borderColor: color.ink },
});

const KEYS = [
  ['1', '2', '3'],
  ['4', '5', '6'],
  ['7', '8', '9'],
  ['.', '0', '⌫'],
] as const;

/** Applies a key to a text: one decimal point at most, eight characters at most. */
export function withKey(text: string, key: string): string {
  if (key === '⌫') return text.slice(0, -1);
  if (key === '.' && /[.,]/.test(text)) return text;
  if (key === '.' && text === '') return '0.';
  return text.length >= 8 ? text : text + key;
}

/** Digits under a thumb, in place of the phone's keyboard. */
export function NumberPad({
  label,
  onKey,
  onNext,
  nextLabel,
}: {
  label: string;
  onKey: (key: string) => void;
  onNext: () => void;
  nextLabel: string;
}) {
  return (
    <View role="group" aria-label={`Digits for ${label}`} style={styles.pad}>
      {KEYS.map((row) => (
        <View key={row[0]} style={styles.row}>
          {row.map((key) => (
            <Tap
              key={key}
              role="button"
              aria-label={key === '⌫' ? 'Delete' : key === '.' ? 'Point' : key}
              onPress={() => onKey(key)}
              style={styles.key}
            >
              {key === '⌫' ? (
                <Delete size={22} color={color.ink} />
              ) : (
                <Words as="figure">{key}</Words>
              )}
            </Tap>
          ))}
        </View>
      ))}
      <Tap role="button" onPress={onNext} style={[styles.key, styles.next]}>
        <Words as="strong" style={{ color: color.paper }}>
          {nextLabel}
        </Words>
      </Tap>
    </View>
  );
}
