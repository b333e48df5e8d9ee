import { useState } from 'react';
import { TextInput, type StyleProp, type TextStyle } from 'react-native';
import { meantDay } from '@/core/time/typedDay';
import { color } from '../tokens';
import { inKeepersOrder, keepersOrder } from './keepersDates';

export interface TypedDayProps {
  name: string;
  value: string;
  /** The keeper's own day. */
  today: string;
  /** The first day of what is counted in days, if there is one: "day 4". */
  begun: string | null;
  onChange: (day: string) => void;
  style: StyleProp<TextStyle>;
}

/** A day as it is typed, with nothing around it, for a line of a page. */
export function TypedDay({ name, value, today, begun, onChange, style }: TypedDayProps) {
  const [typed, setTyped] = useState<string | null>(null);
  const meant = (text: string) => meantDay(text, keepersOrder(), today, begun);
  return (
    <TextInput
      aria-label={name}
      autoComplete="off"
      placeholder="3 Nov"
      placeholderTextColor={color.inkSoft}
      value={typed !== null && meant(typed) === value ? typed : inKeepersOrder(value)}
      onChangeText={(text) => {
        setTyped(text);
        onChange(meant(text));
      }}
      style={style}
    />
  );
}
