import { StyleSheet, View } from 'react-native';
import { Button } from '@/ui/Press';
import { space } from '@/ui/tokens';
import { Figure, Words } from '@/ui/Words';

const styles = StyleSheet.create({
  row: {
    flexDirection: 'row',
    alignItems: 'center',
    columnGap: space.m,
    rowGap: space.xs,
    flexWrap: 'wrap',
  },
  // Minus, number and plus stay together where the label leaves them no room.
  controls: { flexDirection: 'row', alignItems: 'center', gap: space.m },
  step: { minWidth: 60, paddingHorizontal: space.m },
  number: { minWidth: 44, alignItems: 'center' },
});

/** A whole number, a tap at a time. */
export function Stepper({
  label,
  value,
  onChange,
  most = 30,
  least = 1,
  step = 1,
}: {
  label: string;
  value: number;
  onChange: (value: number) => void;
  most?: number;
  least?: number;
  /** What a tap adds or takes. */
  step?: number;
}) {
  return (
    <View style={styles.row} role="group" aria-label={label}>
      <Words as="strong">{label}</Words>
      <View style={styles.controls}>
        <Button
          label="−"
          style={styles.step}
          disabled={value <= least}
          onPress={() => onChange(Math.max(least, value - step))}
        />
        <View style={styles.number}>
          <Figure value={String(value)} size={26} />
        </View>
        <Button
          label="+"
          style={styles.step}
          disabled={value >= most}
          onPress={() => onChange(Math.min(most, value + step))}
        />
      </View>
    </View>
  );
}
