import { useState } from 'react';
import CalendarDays from 'lucide-react-native/icons/calendar-days';
import { dayInWords, shiftDay, shiftMonth } from '@/core/time/calendar';
import { parseDay } from '@/core/time/typedDay';
import { Field } from '../Field';
import { Bare, Button } from '../Press';
import { Sheet } from '../Sheet';
import { color } from '../tokens';
import { inKeepersOrder, keepersOrder } from './keepersDates';
import { MonthGrid } from './MonthGrid';

const ORDER_WORDS = { dmy: 'day month year', mdy: 'month day year', ymd: 'year month day' };

/** How far each key moves the day in the field. */
const KEYS: Readonly<Record<string, (day: string, today: string) => string>> = {
  ArrowUp: (day, today) => shiftDay(day, 1, today),
  ArrowDown: (day, today) => shiftDay(day, -1, today),
  PageUp: (day, today) => shiftMonth(day, 1, today),
  PageDown: (day, today) => shiftMonth(day, -1, today),
};

export interface DayFieldProps {
  label: string;
  value: string;
  onChange: (value: string) => void;
  /** The keeper's own day: where stepping begins, and what is meant without a year. */
  today: string;
  error?: string;
  hint?: string;
  /** A day that is meant to lie ahead: without a year it is the next such. */
  ahead?: boolean;
}

/**
 * A calendar day: typed in the keeper's own order, moved by the arrow keys, or picked from a month.
 * What is typed and is no day is handed on as it stands, so that its form can say so.
 */
export function DayField({
  label,
  value,
  onChange,
  today,
  error,
  hint,
  ahead = false,
}: DayFieldProps) {
  const [typed, setTyped] = useState<string | null>(null);
  const [open, setOpen] = useState(false);
  const order = keepersOrder();
  const meant = (text: string) => parseDay(text, order, today, ahead ? 'ahead' : 'past') ?? text;
  const note = [dayInWords(value) ?? ORDER_WORDS[order], hint].filter(Boolean).join('. ');
  const change = (text: string) => {
    setTyped(text);
    onChange(meant(text));
  };
  const set = (day: string) => {
    setTyped(null);
    onChange(day);
  };
  return (
    <>
      <Field
        label={label}
        value={typed !== null && meant(typed) === value ? typed : inKeepersOrder(value)}
        onChange={change}
        placeholder="not yet"
        hint={note}
        error={error}
        onKey={(key) => {
          const step = KEYS[key];
          if (step) set(step(value, today));
          return step !== undefined;
        }}
        end={
          <Bare label={`${label}: pick from a month`} onPress={() => setOpen(true)}>
            <CalendarDays size={20} color={color.ink} />
          </Bare>
        }
      />
      {open ? (
        <Sheet title={label} open onClose={() => setOpen(false)}>
          <MonthGrid
            label={label}
            value={value}
            today={today}
            onChange={(day) => {
              set(day);
              setOpen(false);
            }}
          />
          {value === '' ? null : (
            <Button
              label="Leave it empty"
              onPress={() => {
                set('');
                setOpen(false);
              }}
            />
          )}
        </Sheet>
      ) : null}
    </>
  );
}
