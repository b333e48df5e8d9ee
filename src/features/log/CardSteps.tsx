import { StyleSheet, View } from 'react-native';
import { formatPlain } from '@/core/units/format';
import { color, radius, touch } from '@/ui/tokens';
import { useLayoutWidth } from '@/ui/useLayoutWidth';
import { Words } from '@/ui/Words';
import { Tap } from '@/ui/press/Tap';

const styles = StyleSheet.create({
  row: { flexDirection: 'row' },
  cell: {
    flex: 1,
    minHeight: touch + 2,
    alignItems: 'center',
    justifyContent: 'center',
    borderColor: color.edge,
    borderTopWidth: 1,
    borderBottomWidth: 1,
    backgroundColor: color.raised,
  },
  inner: { borderRightWidth: 1, borderRightColor: color.rule },
  first: {
    borderLeftWidth: 1,
    borderTopLeftRadius: radius.soft,
    borderBottomLeftRadius: radius.soft,
  },
  last: {
    borderRightWidth: 1,
    borderTopRightRadius: radius.soft,
    borderBottomRightRadius: radius.soft,
  },
  chosen: { backgroundColor: color.ink },
  between: { backgroundColor: color.shoal3 },
  boundary: { position: 'absolute', top: 0, bottom: 0, width: 24, zIndex: 1 },
  text: { fontSize: 19 },
  chosenText: { color: color.paper, fontWeight: '600' },
});

/** The least width of a step; below it the card breaks into rows of even length. */
const MIN_CELL = 44;

/** Splits steps into rows that are as even as can be, none with cells under the least width. */
export function stepRows(count: number, width: number): number[][] {
  const fits = Math.max(1, Math.floor(width / MIN_CELL));
  const rows = Math.ceil(count / fits);
  const perRow = Math.ceil(count / rows);
  return Array.from({ length: rows }, (_, row) =>
    Array.from({ length: Math.min(perRow, count - row * perRow) }, (_step, i) => row * perRow + i),
  );
}

/**
 * The card's own steps to tap. A tap on the line between two of them says that the colour lay
 * between; both then fill. Tapping what is chosen clears it.
 */
export function CardSteps({
  name,
  steps,
  chosen,
  onChange,
}: {
  name: string;
  steps: readonly number[];
  chosen: { low: number; high: number } | null;
  onChange: (chosen: { low: number; high: number } | null) => void;
}) {
  const [width, onLayout] = useLayoutWidth('card');
  const is = (low: number, high: number) => chosen?.low === low && chosen.high === high;
  const toggle = (low: number, high: number) => onChange(is(low, high) ? null : { low, high });
  const half = chosen !== null && chosen.low !== chosen.high;
  return (
    <View
      onLayout={onLayout}
      role="group"
      aria-label={`${name}, steps of the card`}
      style={{ gap: 6 }}
    >
      {stepRows(steps.length, width || 350).map((row) => (
        <View key={row[0]} style={styles.row}>
          {row.map((index, place) => {
            const filled = chosen !== null && index >= chosen.low && index <= chosen.high;
            const lastInRow = place === row.length - 1;
            const label = formatPlain(steps[index] ?? 0);
            // Each step lies above the next, so that the line between them belongs to the boundary.
            return (
              <View
                key={index}
                style={{ flex: 1, flexDirection: 'row', zIndex: steps.length - index }}
              >
                <Tap
                  role="button"
                  aria-label={`${name} ${label}`}
                  aria-pressed={is(index, index)}
                  onPress={() => toggle(index, index)}
                  style={[
                    styles.cell,
                    place === 0 && styles.first,
                    lastInRow ? styles.last : styles.inner,
                    filled && (half ? styles.between : styles.chosen),
                  ]}
                >
                  <Words as="figure" style={[styles.text, filled && !half && styles.chosenText]}>
                    {label}
                  </Words>
                </Tap>
                {index < steps.length - 1 ? (
                  <Tap
                    role="button"
                    aria-label={`${name} between ${label} and ${formatPlain(steps[index + 1] ?? 0)}`}
                    aria-pressed={is(index, index + 1)}
                    onPress={() => toggle(index, index + 1)}
                    style={[styles.boundary, { right: lastInRow ? 0 : -12 }]}
                  />
                ) : null}
              </View>
            );
          })}
        </View>
      ))}
    </View>
  );
}
