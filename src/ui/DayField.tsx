import { addDays } from 'date-fns/addDays';
import { format } from 'date-fns/format';
import { isValid } from 'date-fns/isValid';
import { parseISO } from 'date-fns/parseISO';
import { View } from 'react-native';
import ChevronLeft from 'lucide-react-native/icons/chevron-left';
import ChevronRight from 'lucide-react-native/icons/chevron-right';
import { Field } from './Field';
import { Bare } from './Press';
import { color } from './tokens';

/** The calendar day so many days from a written one; from `today` when it is not a day yet. */
export function shiftDay(text: string, days: number, today: string): string {
  const day = parseISO(text);
  return isValid(day) ? format(addDays(day, days), 'yyyy-MM-dd') : today;
}

/** What a written day is in words, so that a slip in the digits is seen: "Wed 4 Nov 2026". */
export function dayInWords(text: string): string | null {
  const day = /^\d{4}-\d\d-\d\d$/.test(text) ? parseISO(text) : null;
  return day && isValid(day) ? format(day, 'EEE d MMM yyyy') : null;
}

/** A calendar day to type or to step through, with its weekday beneath. */
export function DayField({
  label,
  value,
  onChange,
  today,
  error,
  hint,
}: {
  label: string;
  value: string;
  onChange: (value: string) => void;
  /** Where stepping begins while nothing is written. */
  today: string;
  error?: string;
  hint?: string;
}) {
  const note = [dayInWords(value) ?? 'year-month-day', hint].filter(Boolean).join('. ');
  return (
    <View style={{ flexDirection: 'row', alignItems: 'flex-start' }}>
      <Field
        style={{ flex: 1 }}
        label={label}
        value={value}
        onChange={onChange}
        placeholder="not yet"
        hint={note}
        error={error}
      />
      <View style={{ flexDirection: 'row', marginTop: 25 }}>
        <Bare
          label={`${label}: a day earlier`}
          onPress={() => onChange(shiftDay(value, -1, today))}
        >
          <ChevronLeft size={20} color={color.ink} />
        </Bare>
        <Bare label={`${label}: a day later`} onPress={() => onChange(shiftDay(value, 1, today))}>
          <ChevronRight size={20} color={color.ink} />
        </Bare>
      </View>
    </View>
  );
}
