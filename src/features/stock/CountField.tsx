import { useState } from 'react';
import { parseNumber } from '@/core/units/format';
import { Field } from '@/ui/Field';

/** A whole number that is typed, where tapping would take too long. */
export function CountField({
  label,
  value,
  onChange,
  least = 1,
  most,
}: {
  label: string;
  value: number;
  onChange: (value: number) => void;
  least?: number;
  most: number;
}) {
  const [text, setText] = useState(String(value));
  const read = parseNumber(text);
  const good = read !== null && Number.isInteger(read) && read >= least && read <= most;
  return (
    <Field
      label={label}
      kind="number"
      value={text}
      error={text.trim() === '' || good ? undefined : `A whole number from ${least} to ${most}.`}
      onChange={(next) => {
        setText(next);
        const number = parseNumber(next);
        if (number !== null && Number.isInteger(number) && number >= least && number <= most) {
          onChange(number);
        }
      }}
    />
  );
}
