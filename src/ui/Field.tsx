import { useId, type ReactNode, type Ref } from 'react';
import { StyleSheet, TextInput, View, type StyleProp, type ViewStyle } from 'react-native';
import { color, font, radius, space, touch } from './tokens';
import { Words } from './Words';

const styles = StyleSheet.create({
  frame: {
    flexDirection: 'row',
    alignItems: 'center',
    borderWidth: 1,
    borderColor: color.edge,
    borderRadius: radius.soft,
    backgroundColor: color.raised,
    minHeight: touch,
  },
  wrong: { borderColor: color.danger, borderWidth: 2 },
  input: {
    flex: 1,
    minWidth: 0,
    minHeight: touch,
    paddingHorizontal: space.m,
    color: color.ink,
    fontFamily: font.sans,
    fontSize: 16,
  },
  number: { fontFamily: font.serif, fontStyle: 'italic', fontSize: 19 },
  many: { minHeight: 120, paddingVertical: space.m, textAlignVertical: 'top' },
  unit: { paddingRight: space.m, flexShrink: 0 },
  error: { color: color.danger },
});

export interface FieldProps {
  label: string;
  value: string;
  onChange: (text: string) => void;
  unit?: string;
  /** Beneath the field, while there is no error. */
  hint?: string;
  error?: string;
  placeholder?: string;
  kind?: 'text' | 'number' | 'many';
  /** Suppresses the phone's keyboard where our own pad is shown instead. */
  ownPad?: boolean;
  onFocus?: () => void;
  onSubmit?: () => void;
  /** Told of each key; true when it was taken, and does nothing else then. */
  onKey?: (key: string) => boolean;
  /** Stands within the frame, at its end. */
  end?: ReactNode;
  inputRef?: Ref<TextInput>;
  /** Id of the whole field, for bringing it into view. */
  anchor?: string;
  style?: StyleProp<ViewStyle>;
}

/** A labelled field that says what is wrong with it where it is wrong. */
export function Field({
  label,
  value,
  onChange,
  unit,
  hint,
  error,
  placeholder,
  kind = 'text',
  ownPad = false,
  onFocus,
  onSubmit,
  onKey,
  end,
  inputRef,
  anchor,
  style,
}: FieldProps) {
  const id = useId();
  const note = error ?? hint;
  const described = note ? { 'aria-describedby': `${id}-note` } : {};
  return (
    <View nativeID={anchor} style={[{ gap: space.xs }, style]}>
      <Words as="strong">{label}</Words>
      <View style={[styles.frame, error !== undefined && styles.wrong]}>
        <TextInput
          ref={inputRef}
          value={value}
          onChangeText={onChange}
          onFocus={onFocus}
          onSubmitEditing={onSubmit}
          onKeyPress={(event) => {
            if (onKey?.(event.nativeEvent.key)) event.preventDefault();
          }}
          placeholder={placeholder}
          placeholderTextColor={color.inkSoft}
          multiline={kind === 'many'}
          inputMode={kind === 'number' ? (ownPad ? 'none' : 'decimal') : 'text'}
          autoComplete="off"
          aria-label={label}
          {...described}
          {...(error !== undefined ? { 'aria-invalid': true } : {})}
          style={[styles.input, kind === 'number' && styles.number, kind === 'many' && styles.many]}
        />
        {unit ? (
          <Words as="soft" style={styles.unit}>
            {unit}
          </Words>
        ) : null}
        {end}
      </View>
      {note ? (
        <Words as="soft" id={`${id}-note`} style={error !== undefined && styles.error}>
          {note}
        </Words>
      ) : null}
    </View>
  );
}
