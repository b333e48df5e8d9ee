import { StyleSheet, View } from 'react-native';
import { color, radius, space, touch } from './tokens';
import { Words } from './Words';
import { Tap } from './press/Tap';

const styles = StyleSheet.create({
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: space.s },
  chip: {
    minHeight: touch,
    maxWidth: '100%',
    borderWidth: 1,
    borderColor: color.edge,
    borderRadius: radius.soft,
    paddingHorizontal: space.l,
    justifyContent: 'center',
    backgroundColor: color.raised,
  },
  chosen: { backgroundColor: color.ink, borderColor: color.ink },
  chosenText: { color: color.paper, fontWeight: '600' },
  option: {
    flexDirection: 'row',
    gap: space.m,
    paddingVertical: space.m,
    borderBottomWidth: 1,
    borderColor: color.rule,
    minHeight: touch,
    alignItems: 'flex-start',
  },
  dot: {
    width: 22,
    height: 22,
    borderRadius: 11,
    borderWidth: 2,
    borderColor: color.ink,
    alignItems: 'center',
    justifyContent: 'center',
    marginTop: 1,
  },
  dotFill: { width: 10, height: 10, borderRadius: 5, backgroundColor: color.ink },
  box: { borderRadius: radius.fine },
  boxFill: { width: 12, height: 12, backgroundColor: color.ink },
});

export interface Option<T extends string> {
  value: T;
  label: string;
  note?: string;
}

interface ChoiceProps<T extends string> {
  label: string;
  options: readonly Option<T>[];
  value: T | null;
  onChange: (value: T) => void;
  /** Hides the label from sight, not from a screen reader. */
  bare?: boolean;
}

/** A few short alternatives side by side, one of them chosen. */
export function Choice<T extends string>({
  label,
  options,
  value,
  onChange,
  bare,
}: ChoiceProps<T>) {
  return (
    <View style={{ gap: space.xs }}>
      {bare ? null : <Words as="strong">{label}</Words>}
      <View role="radiogroup" aria-label={label} style={styles.row}>
        {options.map((option) => {
          const chosen = option.value === value;
          return (
            <Tap
              key={option.value}
              role="radio"
              aria-checked={chosen}
              onPress={() => onChange(option.value)}
              style={[styles.chip, chosen && styles.chosen]}
            >
              <Words as="body" style={chosen && styles.chosenText}>
                {option.label}
              </Words>
            </Tap>
          );
        })}
      </View>
    </View>
  );
}

/** A few short things side by side, any of them chosen. */
export function MultiChoice<T extends string>({
  label,
  options,
  value,
  onChange,
}: {
  label: string;
  options: readonly Option<T>[];
  value: readonly T[];
  onChange: (value: T[]) => void;
}) {
  return (
    <View style={{ gap: space.xs }}>
      <Words as="strong">{label}</Words>
      <View role="group" aria-label={label} style={styles.row}>
        {options.map((option) => {
          const chosen = value.includes(option.value);
          return (
            <Tap
              key={option.value}
              role="checkbox"
              aria-checked={chosen}
              onPress={() =>
                onChange(
                  options
                    .map((one) => one.value)
                    .filter((one) => (one === option.value ? !chosen : value.includes(one))),
                )
              }
              style={[styles.chip, chosen && styles.chosen]}
            >
              <Words as="body" style={chosen && styles.chosenText}>
                {option.label}
              </Words>
            </Tap>
          );
        })}
      </View>
    </View>
  );
}

/** Alternatives that need a sentence each, one below the other. */
export function OptionList<T extends string>({ label, options, value, onChange }: ChoiceProps<T>) {
  return (
    <View role="radiogroup" aria-label={label}>
      {options.map((option) => (
        <Tap
          key={option.value}
          role="radio"
          aria-checked={option.value === value}
          onPress={() => onChange(option.value)}
          style={styles.option}
        >
          <View style={styles.dot}>
            {option.value === value ? <View style={styles.dotFill} /> : null}
          </View>
          <View style={{ flex: 1 }}>
            <Words as="strong">{option.label}</Words>
            {option.note ? <Words as="soft">{option.note}</Words> : null}
          </View>
        </Tap>
      ))}
    </View>
  );
}

/** Yes or no, with its reason beneath. */
export function Tick({
  label,
  note,
  value,
  onChange,
}: {
  label: string;
  note?: string;
  value: boolean;
  onChange: (value: boolean) => void;
}) {
  return (
    <Tap
      role="checkbox"
      aria-checked={value}
      aria-label={label}
      onPress={() => onChange(!value)}
      style={styles.option}
    >
      <View style={[styles.dot, styles.box]}>{value ? <View style={styles.boxFill} /> : null}</View>
      <View style={{ flex: 1 }}>
        <Words as="strong">{label}</Words>
        {note ? <Words as="soft">{note}</Words> : null}
      </View>
    </Tap>
  );
}
